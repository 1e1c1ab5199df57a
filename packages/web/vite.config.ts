import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { pageHead } from './pageHead.ts'

/** Parts of core that stand below every station. */
const below =
  /packages\/core\/src\/(?:shared\/(?:around|brand|result|sameValue|perPair|speaker|readFigure)|dossiers\/(?:colours|fastenerWords|findGaps|howKnown|ids|joinKits|lookUp|machineIndex|model|orderSteps|pair|purposes|purposeSteps|roles|signals|sourceOf|zoneAir))\.ts$/

/** The router's own build without the warnings for who develops with it: its package names only the other one. */
const routerBuild = fileURLToPath(import.meta.resolve('react-router')).replace(
  /development\/index\.mjs$/,
  'production/index.mjs',
)

export default defineConfig(({ command }) => ({
  resolve: { alias: command === 'build' ? [{ find: /^react-router$/, replacement: routerBuild }] : [] },
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
        codeSplitting: {
          groups: [
            { name: 'below', test: below },
            { name: 'query', test: /node_modules\/@tanstack\/(?:query-core|react-query)\// },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', ws: true } } },
}))
