import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runApp } from '../e2e/support/runApp.ts'

// How long the built server takes from its process to its address, on a demo yard that is there already.

const folder = mkdtempSync(join(tmpdir(), 'tidy-badger-start-'))
await (await runApp({ folder, demo: true })).end()
const taken: number[] = []
for (let i = 0; i < 7; i++) {
  const started = performance.now()
  const app = await runApp({ folder })
  taken.push(performance.now() - started)
  await (i < 6 ? app.end() : app.stop())
}
taken.sort((a, b) => a - b)
console.log(
  `start on existing data, median of seven: ${Math.round(taken[3])} ms (${Math.round(taken[0])} to ${Math.round(taken[6])})`,
)
