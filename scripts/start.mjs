// Starts the server; with --demo, with the demo yard. What was changed since it was last built is built first.
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
  'packages/web/vite.config.ts',
  'scripts/buildServer.mjs',
]

const changedAt = (place) => statSync(at(place), { throwIfNoEntry: false })?.mtimeMs
const newest = Math.max(
  ...single.map((place) => changedAt(place) ?? 0),
  ...sources.flatMap((folder) =>
    readdirSync(at(folder), { recursive: true }).map((file) => changedAt(`${folder}/${file}`) ?? 0),
  ),
)
if (built.some((place) => (changedAt(place) ?? 0) < newest)) {
  console.log('Building…')
  execSync('npm run build --silent', { cwd: root, stdio: 'inherit' })
}

if (process.argv.includes('--demo')) {
  console.log('Starting Tidy Badger with the demo yard. The first start simulates its rides and takes some seconds.')
  process.env.TIDY_BADGER_DEMO = '1'
  process.env.LOG_LEVEL ??= 'warn'
}
await import('../packages/server/dist/main.js')
