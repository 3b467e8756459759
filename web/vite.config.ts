import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), tailwindcss()],
  worker: { format: 'es' },
  // fonts stay files: the page's own rules allow no data: fonts
  build: { assetsInlineLimit: 0, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.PEEN_PORT ?? 4760}` } }
})
