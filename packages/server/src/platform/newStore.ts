import { PGlite } from '@electric-sql/pglite'
import { existsSync, lstatSync } from 'node:fs'
import { chmod, cp, mkdir, mkdtemp, readFile, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { databaseFiles, earlyModule } from './earlyModule.ts'

const made = fileURLToPath(new URL('../../dist/newStore', import.meta.url))

/** Where an empty store of the database's version lies, once one was made. */
async function emptyStore(): Promise<string> {
  const { version }: { version: string } = JSON.parse(await readFile(join(databaseFiles(), '../package.json'), 'utf8'))
  return join(made, version)
}

/** Makes an empty store to copy, unless there is one: the database's own first steps take seconds, a copy of them none. */
export async function makeNewStore(): Promise<void> {
  const place = await emptyStore()
  if (existsSync(place)) return
  await mkdir(made, { recursive: true })
  const begun = await mkdtemp(`${place}-begun-`)
  await (await PGlite.create({ dataDir: begun, pgliteWasmModule: await earlyModule() })).close()
  // Who made one at the same time made the same.
  await rename(begun, place).catch(() => rm(begun, { recursive: true, force: true }))
}

/**
 * Begins a store where nothing is yet: it is whole under its own name, or not there. In a folder that is there, and where no empty store was
 * made, the database takes its first steps itself.
 */
export async function beginStore(store: string): Promise<void> {
  if (lstatSync(store, { throwIfNoEntry: false })) return
  const empty = await emptyStore()
  if (!existsSync(empty)) return
  const begun = `${store}.begun`
  await rm(begun, { recursive: true, force: true })
  try {
    await cp(empty, begun, { recursive: true })
    await chmod(begun, 0o700)
    await rename(begun, store)
  } catch (error) {
    await rm(begun, { recursive: true, force: true })
    throw error
  }
}
