import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { defineConfig, type Plugin } from 'vite'

/** pages.json: every file of the pages, for the service worker to keep. */
const pagesList = (): Plugin => ({
  name: 'bonitas-pages-list',
  generateBundle(_options, bundle) {
    const names = Object.keys(bundle).filter((name) => name.startsWith('assets/') && !/\.(woff|map)$/.test(name))
    this.emitFile({
      type: 'asset',
      fileName: 'pages.json',
      source: JSON.stringify(names.map((name) => `/${name}`).sort()),
    })
  },
})

const inWeb = (path: string): string => fileURLToPath(new URL(`./web/${path}`, import.meta.url))

export default defineConfig({
  root: fileURLToPath(new URL('./web', import.meta.url)),
  plugins: [
    vue(),
    Components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
    pagesList(),
  ],
  build: {
    outDir: fileURLToPath(new URL('./dist/web', import.meta.url)),
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2023',
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      input: { index: inWeb('index.html'), for: inWeb('for.html'), service: inWeb('away/service.ts') },
      output: { entryFileNames: ({ name }) => (name === 'service' ? 'service.js' : 'assets/[name]-[hash].js') },
    },
  },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '^/api/': `http://127.0.0.1:${process.env.API_PORT ?? 8081}` } },
})
