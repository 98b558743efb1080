/// <reference types="vite/client" />
declare module '@fontsource-variable/hanken-grotesk'
declare module '@fontsource-variable/newsreader'
declare module '*.vue' {
  import type { Component } from 'vue'
  const component: Component
  export default component
}
