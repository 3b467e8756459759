import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig, type Plugin } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { wording } from '../wording/src/vite.ts'
import { verifyPage } from './verify/plugin.ts'

/** The calendar's own icon font is a data: address, which the page's rules do not allow; none of its icons is shown. */
const withoutDataFont: Plugin = {
  name: 'without-data-font',
  transform: (code, id) => (id.includes('@fullcalendar/core') ? code.replace(/@font-face\{font-family:fcicons[^}]*\}/, '') : null)
}

/** The marker finder hands out what it has by `this`, as an old script; a bundler only knows `module.exports`. */
const oldScript: Plugin = {
  name: 'old-script',
  transform: (code, id) =>
    id.includes('js-aruco2/src/') ? code.replace(/^this\.(\w+) = /m, 'module.exports.$1 = ').replace(/this\.CV \|\| /, '') : null
}

export default defineConfig({
  plugins: [
    vue(),
    wording(),
    tailwindcss(),
    verifyPage(),
    withoutDataFont,
    oldScript,
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        id: '/',
        name: 'Peen',
        short_name: 'Peen',
        description: 'Practice and grading of dog grooming, kept as it happens.',
        start_url: '/floor',
        display: 'standalone',
        lang: 'en',
        background_color: '#E7EDEE',
        theme_color: '#0A5540',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' }
        ]
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        // the pseudo-language is for tests alone
        // verify.html is handed on, never opened here
        globIgnores: ['**/*-en-XA-*.js', 'verify.html'],
        // a page opens from what is kept here; what the server is asked for never is
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/verify\.html$/],
        cleanupOutdatedCaches: true,
        // the first page of a tablet is kept as well, not only the second
        clientsClaim: true
      }
    })
  ],
  // messages are parsed when the application is built: no browser needs the parser
  resolve: { alias: { '@formatjs/icu-messageformat-parser': '@formatjs/icu-messageformat-parser/no-parser.js' } },
  worker: { format: 'es', plugins: () => [oldScript] },
  // fonts stay files: the page's own rules allow no data: fonts
  build: { assetsInlineLimit: 0, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.PEEN_PORT ?? 4760}` } }
})
