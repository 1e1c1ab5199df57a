import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'
import { compressed } from './compressed.ts'
import { offline } from './offline.ts'
import { pageHead } from './pageHead.ts'

/** Parts of core that stand below every station. */
const below =
  /packages\/core\/src\/(?:shared\/(?:around|brand|result|sameValue|perPair|speaker|readFigure|shownFigures)|dossiers\/(?:colours|fastenerWords|findGaps|howKnown|ids|joinKits|lookUp|machineIndex|model|orderSteps|pair|purposes|purposeSteps|roles|signals|zoneAir))\.ts$/

/** What stations of a job load together (scripts/listStationModules.ts): one script of it packs better than thirty. */
const listed: Record<string, string[]> =
  process.env.STATION_MODULES === 'none'
    ? {}
    : JSON.parse(readFileSync(new URL('./stationModules.json', import.meta.url), 'utf8'))
const station = Object.entries(listed).map(([name, sources]) => {
  const ids = new Set(sources.map((source) => fileURLToPath(new URL(`../../${source}`, import.meta.url))))
  return { name, test: (id: string) => ids.has(id), includeDependenciesRecursively: false }
})

/** Large scripts of which a page runs most as soon as it has them. */
const runAtOnce = new Set(['main', 'query', 'below', 'station', 'views', 'beside', 'ComposedChart', 'planWorker'])

/** These are compiled beside the screen as they come, not function by function when each is first called; it has to be said before all else. */
const compiledAtOnce: Plugin = {
  name: 'compiled-at-once',
  apply: 'build',
  enforce: 'post',
  generateBundle: {
    order: 'post',
    handler: (_, bundle) => {
      for (const file of Object.values(bundle))
        if (file.type === 'chunk' && runAtOnce.has(file.name)) file.code = `//# allFunctionsCalledOnLoad\n${file.code}`
    },
  },
}

/** The router's own build without the warnings for who develops with it: its package names only the other one. */
const routerBuild = fileURLToPath(import.meta.resolve('react-router')).replace(
  /development\/index\.mjs$/,
  'production/index.mjs',
)

/** What a rule means in general is for the list in the docs; a page says what is so in the case. */
const withoutMeanings: Plugin = {
  name: 'without-meanings',
  apply: 'build',
  enforce: 'pre',
  transform: {
    filter: { id: /core\/src\/\w+\/(?:rules|ruleCatalogue)\.ts$/ },
    handler: (code) => ({
      code: code.replace(/\b(stop|fix|note|neverLifted)\(\s*(?:'(?:[^'\\]|\\.)*'|"(?:[^"\\]|\\.)*"),?\s*\)/g, "$1('')"),
      // Nobody reads maps of a built page; without this its name is lost to who lists what a page loads.
      map: null,
    }),
  },
}

export default defineConfig(({ command }) => ({
  resolve: { alias: command === 'build' ? [{ find: /^react-router$/, replacement: routerBuild }] : [] },
  plugins: [
    withoutMeanings,
    react({ jsxImportSource: '#figures' }),
    tailwindcss(),
    pageHead(),
    compiledAtOnce,
    // After all that changes a file: it lists what they are.
    offline({
      name: 'Tidy Badger',
      short_name: 'Tidy Badger',
      display: 'standalone',
      background_color: '#f4f4ef',
      theme_color: '#15181a',
      icons: [{ src: '/badger.svg', sizes: 'any', type: 'image/svg+xml' }],
    }),
    compressed(),
  ],
  worker: { format: 'es', plugins: () => [compiledAtOnce] },
  build: {
    target: 'es2022',
    sourcemap: false,
    manifest: true,
    // What a page loads is named beside it by the server, or fetched once the page stands: links for it in the page would hold up its script.
    modulePreload: false,
    rolldownOptions: {
      output: {
        // What every station of a job has from below is one script: a dozen small ones pack worse.
        codeSplitting: {
          groups: [
            { name: 'below', test: below },
            ...station,
            // What every page draws with goes along: each small script of its own costs a quarter of a kB.
            {
              name: 'query',
              test: /node_modules\/(?:@tanstack\/(?:query-core|react-query)|react|zustand)\/|\/src\/platform\/figures\/|\/src\/ui\/(?:comesLater|states|Button|NumberField)\.tsx|\/src\/ui\/afterwards\.ts/,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', ws: true } } },
}))
