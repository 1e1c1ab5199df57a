import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { pageHead } from './pageHead.ts'

export default defineConfig({
  plugins: [
    react({ jsxImportSource: '#figures' }),
    tailwindcss(),
    pageHead(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      manifest: {
        name: 'Tidy Badger',
        short_name: 'Tidy Badger',
        display: 'standalone',
        background_color: '#f4f4ef',
        theme_color: '#15181a',
        icons: [{ src: '/badger.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
        // Shown as it was at once, and asked for again; without a link it is there.
        runtimeCaching: [
          {
            urlPattern: /\/api\/machines\/[^/]+\/drawing\.svg\?.*version=/,
            handler: 'StaleWhileRevalidate',
            options: { cacheName: 'drawings', expiration: { maxEntries: 200 } },
          },
        ],
      },
    }),
    // Made once here, so that the server only hands them out.
    compression({
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
      include: /\.(js|css|html|svg)$/,
      threshold: 1024,
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2022', sourcemap: false, manifest: true, modulePreload: { polyfill: false } },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', ws: true } } },
})
