import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { pageHead } from './pageHead.ts'

/** Parts of core that stand below every station. */
const below =
  /packages\/core\/src\/(?:shared\/(?:around|brand|result|sameValue|perPair|speaker|readFigure)|dossiers\/(?:colours|fastenerWords|findGaps|howKnown|ids|lookUp|machineIndex|model|orderSteps|pair|roles|signals|sourceOf|zoneAir))\.ts$/

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
  build: {
    target: 'es2022',
    sourcemap: false,
    manifest: true,
    modulePreload: { polyfill: false },
    rolldownOptions: {
      output: {
        // What every station of a job has from below is one script: a dozen small ones pack worse.
        codeSplitting: { groups: [{ name: 'below', test: below }] },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', ws: true } } },
})
