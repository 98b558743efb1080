import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { defineConfig } from 'vite'

export default defineConfig({
  root: fileURLToPath(new URL('./web', import.meta.url)),
  plugins: [vue(), Components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: 'css' })] })],
  build: { outDir: fileURLToPath(new URL('./dist/web', import.meta.url)), emptyOutDir: true, assetsInlineLimit: 0, target: 'es2023', chunkSizeWarningLimit: 600 },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '^/api/': `http://127.0.0.1:${process.env.API_PORT ?? 8081}` } },
})
