// Weighs what each page loads before it stands, from the build's manifest: script as it is sent (brotli), workers and later-loaded charts apart.
import { existsSync, readFileSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const dist = fileURLToPath(new URL('../packages/web/dist/', import.meta.url))

interface Chunk {
  file: string
  imports?: string[]
}
const manifest: Record<string, Chunk> = JSON.parse(readFileSync(`${dist}.vite/manifest.json`, 'utf8'))

/** Pages with the modules that their address loads, and what they may weigh, kB. */
const pages: Record<string, { modules: string[]; mostKb: number }> = {
  yard: { modules: ['src/jobs/YardPage.tsx'], mostKb: 110 },
  'a new job': { modules: ['src/jobs/NewJobPage.tsx'], mostKb: 200 },
  'open up': { modules: ['src/app/JobRoom.tsx', 'src/app/StationPage.tsx', 'src/access/WorkPage.tsx'], mostKb: 200 },
  'hook up': { modules: ['src/app/JobRoom.tsx', 'src/app/StationPage.tsx', 'src/wiring/HookUpPage.tsx'], mostKb: 200 },
  'lay loom': { modules: ['src/app/JobRoom.tsx', 'src/app/StationPage.tsx', 'src/routing/index.ts'], mostKb: 200 },
  trim: { modules: ['src/app/JobRoom.tsx', 'src/app/StationPage.tsx', 'src/fuel-trim/index.ts'], mostKb: 200 },
  'hand back': { modules: ['src/app/JobRoom.tsx', 'src/app/StationPage.tsx', 'src/handover/index.ts'], mostKb: 200 },
  'machines and kits': { modules: ['src/dossiers/index.ts'], mostKb: 200 },
}

function chunkOf(name: string): Chunk {
  // A page that others import as well stands under its chunk's own name.
  const shared = `_${name.replace(/^.*\/(\w+)\.tsx?$/, '$1')}-`
  const chunk = manifest[name] ?? Object.entries(manifest).find(([key]) => key.startsWith(shared))?.[1]
  if (!chunk) throw new Error(`bundle: the build has no "${name}"`)
  return chunk
}

function loaded(names: readonly string[]): Set<string> {
  const files = new Set<string>()
  const add = (name: string) => {
    const { file, imports = [] } = chunkOf(name)
    if (files.has(file)) return
    files.add(file)
    imports.forEach(add)
  }
  names.forEach(add)
  return files
}

function sent(file: string): number {
  const packed = `${dist}${file}.br`
  return statSync(existsSync(packed) ? packed : `${dist}${file}`).size
}

let over = 0
for (const [page, { modules, mostKb }] of Object.entries(pages)) {
  const files = [...loaded(['index.html', 'src/app/main.tsx', ...modules])]
  const kb = files.reduce((sum, file) => sum + sent(file), 0) / 1000
  if (kb > mostKb) over++
  console.log(`${page.padEnd(20)} ${kb.toFixed(1).padStart(6)} kB of ${mostKb}${kb > mostKb ? '  TOO MUCH' : ''}`)
  if (process.argv.includes('--files'))
    for (const file of files.sort((a, b) => sent(b) - sent(a)).slice(0, 12)) console.log(`    ${sent(file)} ${file}`)
}

/** Scripts that load each other in a ring: which of them runs first nobody chose, and what it wants may not be there. */
function rings(): string[] {
  const found: string[] = []
  const done = new Set<string>()
  const walk = (name: string, path: readonly string[]) => {
    const at = path.indexOf(name)
    if (at >= 0) found.push([...path.slice(at), name].join(' → '))
    if (at >= 0 || done.has(name)) return
    for (const other of manifest[name]?.imports ?? []) walk(other, [...path, name])
    done.add(name)
  }
  Object.keys(manifest).forEach((name) => walk(name, []))
  return found
}
const ring = rings()
for (const names of ring) console.log(`RING: ${names}`)
process.exit(over + ring.length === 0 ? 0 : 1)
