import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makeYards } from './makeYards.ts'

/** Each test starts its own server on a copy of a new yard or of a demo yard; both are made once, or were made before. */
export default async function demoYard(): Promise<() => Promise<void>> {
  const made = process.env.TIDY_BADGER_YARDS
  const folder = made ?? (await mkdtemp(join(tmpdir(), 'tidy-badger-yard-')))
  const yards = await makeYards(folder)
  Object.assign(process.env, { TIDY_BADGER_NEW_YARD: yards.bare, TIDY_BADGER_YARD: yards.demo })
  return async () => {
    if (made === undefined) await rm(folder, { recursive: true, force: true })
  }
}
