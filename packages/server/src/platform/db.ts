import { PGlite, type Transaction } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { mkdir } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { earlyModule } from './earlyModule.ts'
import { beginStore } from './newStore.ts'
import { prepareDataFolder, storeBroken, storeNotBegun, storeOf, watchFolder, type FolderWatch } from './dataFolder.ts'

export type Database = PgliteDatabase

export interface OpenDatabase {
  db: Database
  folder: FolderWatch
  close: () => Promise<void>
}

export const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url))

/**
 * Opens the embedded PostgreSQL of a data folder and brings its tables up to date. From then on nothing is written once the
 * folder is not the one that was opened.
 * @throws a sentence when the folder cannot be used
 */
export async function openDatabase(dataFolder: string): Promise<OpenDatabase> {
  await prepareDataFolder(dataFolder)
  return openPrepared(dataFolder)
}

/** The same in a folder that has been prepared. */
export async function openPrepared(dataFolder: string): Promise<OpenDatabase> {
  const store = storeOf(dataFolder)
  await beginStore(store).catch((error: unknown) => {
    throw storeNotBegun(dataFolder, error)
  })
  await mkdir(store, { recursive: true, mode: 0o700 })
  let client: PGlite
  try {
    client = await PGlite.create({ dataDir: store, pgliteWasmModule: await earlyModule() })
    await client.query('select 1')
  } catch (error) {
    throw storeBroken(dataFolder, error)
  }
  const folder = watchFolder(dataFolder)
  return migrated(guarded(client, folder), folder)
}

/** A store to ask by its tables. */
export const databaseOf = (client: PGlite): Database => drizzle(client)

/** A store with its tables brought up to date. */
export async function migrated(client: PGlite, folder: FolderWatch): Promise<OpenDatabase> {
  const db = databaseOf(client)
  await migrate(db, { migrationsFolder })
  return { db, folder, close: () => client.close() }
}

/** The client, looking at the folder before every statement outside a transaction and before every commit. */
function guarded(client: PGlite, folder: FolderWatch): PGlite {
  return new Proxy(client, {
    get(target, name) {
      if (name === 'query')
        return (...args: Parameters<PGlite['query']>) => {
          folder.check()
          return target.query(...args)
        }
      if (name === 'transaction')
        return <T>(work: (tx: Transaction) => Promise<T>) =>
          target.transaction(async (tx) => {
            const result = await work(tx)
            folder.check()
            return result
          })
      const value: unknown = Reflect.get(target, name, target)
      return typeof value === 'function' ? value.bind(target) : value
    },
  })
}
