// Builds the page and the server when what they are made of was changed since; with --if-none only where they were never built:
// a prompt beside a running server must not take from it the files it still has to read.
import { execSync } from 'node:child_process'
import { readdirSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const at = (place) => `${root}${place}`
const built = ['packages/server/dist/main.js', 'packages/web/dist/index.html']
const sources = ['packages/core/src', 'packages/server/src', 'packages/web/src', 'packages/web/public']
const single = [
  'package-lock.json',
  'packages/web/index.html',
  ...['vite.config.ts', 'pageHead.ts', 'offline.ts', 'compressed.ts', 'stationModules.json'].map(
    (name) => `packages/web/${name}`,
  ),
  'scripts/buildServer.mjs',
]

const changedAt = (place) => statSync(at(place), { throwIfNoEntry: false })?.mtimeMs
const newest = () =>
  Math.max(
    ...single.map((place) => changedAt(place) ?? 0),
    ...sources.flatMap((folder) =>
      readdirSync(at(folder), { recursive: true }).map((file) => changedAt(`${folder}/${file}`) ?? 0),
    ),
  )
const since = process.argv.includes('--if-none') ? 1 : newest()
if (built.some((place) => (changedAt(place) ?? 0) < since)) {
  console.error('Building…')
  execSync('npm run build --silent', { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] })
}
