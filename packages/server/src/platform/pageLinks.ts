import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

type Manifest = Record<string, { file: string; imports?: string[] }>

/** Modules a station's page is made of, beside those of every job. */
const ofStation: Partial<Record<string, string>> = {
  'take-in': 'src/access/TakeInPage.tsx',
  'check-kit': 'src/access/CheckKitPage.tsx',
  'set-up': 'src/access/SetUpPage.tsx',
  'hook-up': 'src/wiring/HookUpPage.tsx',
  'lay-loom': 'src/routing/index.ts',
  'tie-down': 'src/routing/index.ts',
  trim: 'src/fuel-trim/index.ts',
  'hand-back': 'src/handover/index.ts',
}
const ofOtherStations = 'src/access/WorkPage.tsx'
const ofJob = 'src/app/JobRoom.tsx'
const jobAddress = /^\/job\/([\w.~-]{1,100})(?:\/([a-z-]{1,40}))?\/?$/

/** The job an address of the app is of. */
export const jobAt = (path: string): string | null => jobAddress.exec(path)?.[1] ?? null

/**
 * What a page will ask for as soon as its script runs, named beside the page itself, so that it comes with it: scripts by the build's
 * own list, and the first data.
 * @param webFolder the built page
 * @returns for a path of the app a `Link` header; null where nothing is known beforehand
 */
export function pageLinks(webFolder: string): (path: string) => string | null {
  const list = join(webFolder, '.vite', 'manifest.json')
  const manifest: Manifest = existsSync(list) ? JSON.parse(readFileSync(list, 'utf8')) : {}
  // A page that others import as well stands under its chunk's own name.
  const chunkOf = (name: string) => {
    const shared = `_${name.replace(/^.*\/(\w+)\.tsx?$/, '$1')}-`
    return manifest[name] ?? Object.entries(manifest).find(([key]) => key.startsWith(shared))?.[1]
  }
  const files = (names: readonly string[], found = new Set<string>()): Set<string> => {
    for (const name of names) {
      const chunk = chunkOf(name)
      if (!chunk || found.has(chunk.file)) continue
      found.add(chunk.file)
      files(chunk.imports ?? [], found)
    }
    return found
  }
  const always = files(['index.html', 'src/app/main.tsx'])
  const scripts = (names: readonly string[]) =>
    [...files(names)]
      .filter((file) => !always.has(file))
      .map((file) => `</${file}>; rel=modulepreload; crossorigin; fetchpriority=low`)
  const data = (path: string) => `<${path}>; rel=preload; as=fetch; crossorigin`
  return (path) => {
    if (path === '/') return [...scripts(['src/jobs/YardPage.tsx']), data('/api/jobs')].join(', ')
    const [, id, station = ''] = jobAddress.exec(path) ?? []
    if (id === undefined) return null
    const own = station === '' ? [] : [ofStation[station] ?? ofOtherStations]
    return [...scripts([ofJob, ...own]), data(`/api/jobs/${id}`)].join(', ')
  }
}

/** The scripts that stand in the page itself, as what may run is named by: the SHA-256 of each. */
export function scriptsWithin(webFolder: string): string[] {
  const file = join(webFolder, 'index.html')
  const html = existsSync(file) ? readFileSync(file, 'utf8') : ''
  return [...html.matchAll(/<script>([\s\S]*?)<\/script>/g)].map(
    ([, script]) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`,
  )
}
