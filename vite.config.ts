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

/** The client's page asks the server before it is there itself: what the page needs is named in its file, to come side by side with that. */
const letterAhead = (): Plugin => ({
  name: 'bonitas-letter-ahead',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle, filename }) => {
      if (!filename.endsWith('for.html') || !bundle) return []
      const chunks = Object.values(bundle).flatMap((file) => (file.type === 'chunk' ? [file] : []))
      const letter = chunks.find(({ name }) => name === 'letter')
      if (!letter) throw new Error('The pages: expected a chunk for the client’s letter, found none')
      const known = new Set(
        chunks.filter(({ name }) => name === 'for').flatMap((main) => [main.fileName, ...main.imports]),
      )
      const scripts = [letter.fileName, ...letter.imports].filter((file) => !known.has(file))
      const styles = chunks
        .filter(({ fileName }) => scripts.includes(fileName))
        .flatMap(({ viteMetadata }) => [...(viteMetadata?.importedCss ?? [])])
      const link = (attrs: Record<string, string | boolean>) => ({ tag: 'link', attrs, injectTo: 'head' as const })
      return [
        ...styles.map((href) => link({ rel: 'stylesheet', crossorigin: true, href: `/${href}` })),
        ...scripts.map((href) => link({ rel: 'modulepreload', crossorigin: true, href: `/${href}` })),
      ]
    },
  },
})

const inWeb = (path: string): string => fileURLToPath(new URL(`./web/${path}`, import.meta.url))

export default defineConfig({
  root: fileURLToPath(new URL('./web', import.meta.url)),
  plugins: [
    vue(),
    Components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
    pagesList(),
    letterAhead(),
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
