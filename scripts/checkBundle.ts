// Weighs what each page loads before it stands, from the build's manifest: script as it is sent (brotli), workers and later-loaded charts apart.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { brotliDecompressSync } from 'node:zlib'
import { chunksLoaded, pageModules, type Manifest, type PageName } from './bundlePages.ts'

const dist = fileURLToPath(new URL('../packages/web/dist/', import.meta.url))

const manifest: Manifest = JSON.parse(readFileSync(`${dist}.vite/manifest.json`, 'utf8'))

/** What a page may weigh, kB, where it is less than any may. */
const most: Partial<Record<PageName, number>> = { yard: 110 }
const mostOfAny = 200

function sent(file: string): number {
  const packed = `${dist}${file}.br`
  return statSync(existsSync(packed) ? packed : `${dist}${file}`).size
}

let over = 0
for (const page of Object.keys(pageModules) as PageName[]) {
  const mostKb = most[page] ?? mostOfAny
  const names = chunksLoaded(manifest, ['index.html', 'src/app/main.tsx', ...pageModules[page]])
  const files = [...names].flatMap((name) => manifest[name]?.file ?? [])
  const kb = files.reduce((sum, file) => sum + sent(file), 0) / 1000
  if (kb > mostKb) over++
  console.log(
    `${page.padEnd(20)} ${kb.toFixed(1).padStart(6)} kB of ${mostKb} in ${String(files.length).padStart(2)} scripts${kb > mostKb ? '  TOO MUCH' : ''}`,
  )
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

/** Compressed files that hold something else than the file beside them: browsers get these, and nobody else looks into them. */
const other = readdirSync(dist, { recursive: true, encoding: 'utf8' }).filter(
  (file) =>
    file.endsWith('.br') &&
    !brotliDecompressSync(readFileSync(`${dist}${file}`)).equals(readFileSync(`${dist}${file.slice(0, -3)}`)),
)
for (const file of other) console.log(`OTHER: ${file}`)

/** Scripts that say where it has no effect that they may be compiled as they come: it counts in the first line alone. */
const hint = '//# allFunctionsCalledOnLoad'
const late = readdirSync(`${dist}assets`).filter(
  (file) => file.endsWith('.js') && readFileSync(`${dist}assets/${file}`, 'utf8').indexOf(hint) > 0,
)
for (const file of late) console.log(`LATE: ${file}`)
process.exit(over + ring.length + other.length + late.length === 0 ? 0 : 1)
