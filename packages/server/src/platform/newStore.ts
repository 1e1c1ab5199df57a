import { PGlite } from '@electric-sql/pglite'
import { existsSync } from 'node:fs'
import { chmod, cp, mkdir, mkdtemp, readFile, rename, rm } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { earlyModule } from './earlyModule.ts'

const made = fileURLToPath(new URL('../../dist/newStore', import.meta.url))

/** Where an empty store of the database's version lies, once one was made. */
async function emptyStore(): Promise<string> {
  const packaged = join(dirname(createRequire(import.meta.url).resolve('@electric-sql/pglite')), '..', 'package.json')
  const { version }: { version: string } = JSON.parse(await readFile(packaged, 'utf8'))
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
 * Begins a store at a place where there is none, or nothing in it: it is whole under its own name, or not there. Where no empty one was made,
 * the database takes its first steps there itself.
 */
export async function beginStore(store: string): Promise<void> {
  const empty = await emptyStore()
  if (!existsSync(empty)) return
  const begun = `${store}.begun`
  await rm(begun, { recursive: true, force: true })
  await cp(empty, begun, { recursive: true })
  await chmod(begun, 0o700)
  await rm(store, { recursive: true, force: true })
  await rename(begun, store)
}
