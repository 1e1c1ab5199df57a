// Writes down which modules every station of a job has in its first view and the yard has not, so that the build makes one script of them:
// thirty small ones pack worse by a tenth. Run it when a page grows over its weight: npm run list:modules
import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const web = fileURLToPath(new URL('../packages/web/', import.meta.url))
const out = mkdtempSync(join(tmpdir(), 'station-modules-'))
// Built as if nothing were listed: what is shared is found, not what was put together before.
execFileSync('npx', ['vite', 'build', '--outDir', out, '--emptyOutDir', '--sourcemap', '--logLevel', 'error'], {
  cwd: web,
  stdio: 'inherit',
  env: { ...process.env, STATION_MODULES: 'none' },
})

interface Chunk {
  file: string
  imports?: string[]
}
const manifest: Record<string, Chunk> = JSON.parse(readFileSync(join(out, '.vite/manifest.json'), 'utf8'))

/** Sources that are loaded before a page stands. */
function sourcesOf(pages: readonly string[]): Set<string> {
  const seen = new Set<string>()
  const walk = (name: string) => {
    if (seen.has(name)) return
    seen.add(name)
    manifest[name]?.imports?.forEach(walk)
  }
  walk('index.html')
  walk('src/app/main.tsx')
  for (const name of Object.keys(manifest)) if (pages.some((page) => name.includes(page))) walk(name)
  const sources = new Set<string>()
  for (const name of seen) {
    const map = join(out, `${manifest[name]?.file ?? ''}.map`)
    if (!existsSync(map)) continue
    const read: { sources: string[] } = JSON.parse(readFileSync(map, 'utf8'))
    for (const source of read.sources) sources.add(source.replace(/^.*?(packages|node_modules)\//, '$1/'))
  }
  return sources
}

const room = ['src/app/JobRoom', 'src/app/StationPage']
const yard = sourcesOf(['src/jobs/YardPage'])
const stations = [
  'src/access/WorkPage',
  'src/wiring/HookUpPage',
  'src/routing/index',
  'src/fuel-trim/index',
  'src/handover/index',
]
const loaded = stations.map((page) => sourcesOf([...room, page]))
const all = new Set(loaded.flatMap((sources) => [...sources]))
// What an address leads to is a script of its own; front doors lead to more than the stations want.
const shared = [...all]
  .filter((source) => !yard.has(source) && !/\/(?:index|pages)\.ts$|\/app\/|\/platform\/keptTexts/.test(source))
  .sort()
/** Sources that these stations load, and no others. */
const ofAll = (...wanted: readonly boolean[]) =>
  shared.filter((source) => loaded.every((sources, i) => sources.has(source) === wanted[i]))
const listed = {
  station: ofAll(true, true, true, true, true),
  views: ofAll(true, true, true, true, false),
}
writeFileSync(join(web, 'stationModules.json'), `${JSON.stringify(listed, null, 2)}\n`)
rmSync(out, { recursive: true })
for (const [name, sources] of Object.entries(listed)) console.log(`${name}: ${sources.length} modules`)
