/// <reference types="vite/client" />
declare module '@fontsource-variable/hanken-grotesk'
declare module '@fontsource-variable/newsreader'
