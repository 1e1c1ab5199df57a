// Writes down which modules every station of a job has in its first view and the yard has not, which several have, and which come together
// afterwards, so that the build makes one script of each: thirty small ones pack worse by a tenth, and each is asked for by itself. Run it when a page grows over its weight: npm run list:modules
import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chunksLoaded, pageModules, type Manifest, type PageName } from './bundlePages.ts'

const web = fileURLToPath(new URL('../packages/web/', import.meta.url))
const out = mkdtempSync(join(tmpdir(), 'station-modules-'))
// Built as if nothing were listed: what is shared is found, not what was put together before.
execFileSync('npx', ['vite', 'build', '--outDir', out, '--emptyOutDir', '--sourcemap', '--logLevel', 'error'], {
  cwd: web,
  stdio: 'inherit',
  env: { ...process.env, STATION_MODULES: 'none' },
})

const manifest: Manifest = JSON.parse(readFileSync(join(out, '.vite/manifest.json'), 'utf8'))

/** Sources that are loaded before these modules run. */
function sourcesOf(modules: readonly string[]): Set<string> {
  const sources = new Set<string>()
  for (const name of chunksLoaded(manifest, modules)) {
    const map = join(out, `${manifest[name]?.file ?? ''}.map`)
    if (!existsSync(map)) continue
    const read: { sources: string[] } = JSON.parse(readFileSync(map, 'utf8'))
    for (const source of read.sources) sources.add(source.replace(/^.*?(packages|node_modules)\//, '$1/'))
  }
  return sources
}

const start = ['index.html', 'src/app/main.tsx']
const pages = new Map(
  (Object.keys(pageModules) as PageName[]).map((name) => [name, sourcesOf([...start, ...pageModules[name]])]),
)
/** The stations by which it is told what all of them load. */
const stations: readonly PageName[] = ['open up', 'hook up', 'lay loom', 'trim', 'hand back']
const jobPages: readonly PageName[] = [...stations, 'take in', 'check kit', 'set up']
const ofPages = (names: readonly PageName[], source: string) =>
  names.filter((name) => pages.get(name)?.has(source)).length
// What an address leads to is a script of its own; front doors lead to more than the stations want.
const ownScript = (source: string) => /\/(?:index|pages)\.ts$|Page\.tsx$|\/app\/|\/platform\/keptTexts/.test(source)
const ofJob = [...new Set(jobPages.flatMap((name) => [...(pages.get(name) ?? [])]))].filter(
  (source) => ofPages(['yard'], source) === 0 && !ownScript(source),
)
const otherPages = [...pages.keys()].filter((name) => !jobPages.includes(name))
const handedBack = (source: string) => ofPages(['hand back'], source) === 1
// What hand back has leads to nothing that it has not.
const inNearlyAll = (source: string) => handedBack(source) && ofPages(stations, source) >= stations.length - 1
const inSeveral = (source: string) =>
  !inNearlyAll(source) && ofPages(jobPages, source) > 3 && ofPages(otherPages, source) === 0

const anyPage = new Set([...pages.values()].flatMap((sources) => [...sources]))
const taken = new Set<string>()
/** What comes after the page stands, with all of it that no page has at first: it leads to nothing that leads back to it. */
function afterwards(modules: readonly string[]): string[] {
  const sources = [...sourcesOf(modules)].filter((source) => !anyPage.has(source) && !taken.has(source)).sort()
  sources.forEach((source) => taken.add(source))
  return sources
}

const listed = {
  station: ofJob.filter(inNearlyAll).sort(),
  work: ofJob.filter((source) => inSeveral(source) && handedBack(source)).sort(),
  views: ofJob.filter((source) => inSeveral(source) && !handedBack(source)).sort(),
  planning: afterwards(['src/jobs/planHere.ts']),
  beside: afterwards([
    'src/jobs/components/JobNotices.tsx',
    'src/jobs/components/TimerChips.tsx',
    'src/wiring/components/EndMargin.tsx',
    'src/wiring/components/JobMargin.tsx',
    'src/wiring/components/LookalikeSheet.tsx',
    'src/machine-view/components/MachineShapes.tsx',
    'src/machine-view/components/OnPhotos.tsx',
    'src/machine-view/components/WhereOnMachine.tsx',
  ]),
}
writeFileSync(join(web, 'stationModules.json'), `${JSON.stringify(listed, null, 2)}\n`)
rmSync(out, { recursive: true })
for (const [name, sources] of Object.entries(listed)) console.log(`${name}: ${sources.length} modules`)
