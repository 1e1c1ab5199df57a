import { cp, mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runApp } from './runApp.ts'

/** Makes a new yard and seeds a demo yard once; each test starts its own server on a copy of either. */
export default async function demoYard(): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-yard-'))
  const [bare, demo] = [join(folder, 'new'), join(folder, 'demo')]
  await (await runApp({ folder: bare })).end()
  await cp(bare, demo, { recursive: true })
  await (await runApp({ demo: true, folder: demo })).end()
  Object.assign(process.env, { TIDY_BADGER_NEW_YARD: bare, TIDY_BADGER_YARD: demo })
  return () => rm(folder, { recursive: true, force: true })
}
