import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runApp } from './runApp.ts'

/** Seeds the demo yard once; each test starts its own server on a copy of it. */
export default async function demoYard(): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-yard-'))
  const app = await runApp({ demo: true, folder })
  await app.end()
  process.env.TIDY_BADGER_YARD = folder
  return () => rm(folder, { recursive: true, force: true })
}
