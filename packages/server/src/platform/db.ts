import { PGlite } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export type Database = PgliteDatabase

export interface OpenDatabase {
  db: Database
  close: () => Promise<void>
}

export const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url))

/** Opens the embedded PostgreSQL of a data folder and brings its tables up to date. */
export async function openDatabase(dataFolder: string): Promise<OpenDatabase> {
  const folder = join(dataFolder, 'store')
  await mkdir(folder, { recursive: true, mode: 0o700 })
  return migrated(await PGlite.create(folder))
}

let template: Promise<Blob> | undefined

/** The same in memory, for tests: the tables are made once, then copied. */
export async function openInMemory(): Promise<OpenDatabase> {
  template ??= (async () => {
    const made = await PGlite.create()
    await migrated(made)
    const dump = await made.dumpDataDir('none')
    await made.close()
    return dump
  })()
  const client = await PGlite.create({ loadDataDir: await template })
  return { db: drizzle(client), close: () => client.close() }
}

async function migrated(client: PGlite): Promise<OpenDatabase> {
  const db = drizzle(client)
  await migrate(db, { migrationsFolder })
  return { db, close: () => client.close() }
}
