import { PGlite } from '@electric-sql/pglite'
import { readFile } from 'node:fs/promises'
import { beginStore, makeNewStore } from './newStore.ts'
import { databaseOf, migrated, type Database, type OpenDatabase } from './db.ts'

/** Names the file of the template. */
export const templateVariable = 'TIDY_BADGER_TEMPLATE'

/** Where the template keeps what its tables begin with. */
const kept = 'as_begun'

const tables = async (client: PGlite): Promise<string[]> =>
  (
    await client.query<{ name: string }>("select tablename as name from pg_tables where schemaname = 'public'")
  ).rows.map(({ name }) => `"${name}"`)

/**
 * Tables made and filled once, to be copied.
 * @param folder where nothing is yet
 */
export async function makeTemplate(folder: string, fill: (db: Database) => Promise<void>): Promise<Blob> {
  await makeNewStore()
  await beginStore(folder)
  const made = await PGlite.create(folder)
  const { db } = await migrated(made, { check: () => undefined })
  await fill(db)
  const copies = (await tables(made)).map((name) => `create table ${kept}.${name} as table public.${name};`)
  await made.exec(`create schema ${kept}; ${copies.join(' ')}`)
  const dump = await made.dumpDataDir('none')
  await made.close()
  return dump
}

/** Stores nobody has open now. */
const free: PGlite[] = []

/** A store in memory as the template has it. One that was closed is emptied and filled again: a new one takes ten times as long. */
export async function openInMemory(): Promise<OpenDatabase> {
  const client = free.pop() ?? (await copyOfTemplate())
  return {
    db: databaseOf(client),
    folder: { check: () => undefined },
    close: async () => {
      const names = await tables(client)
      const fill = names.map((name) => `insert into public.${name} table ${kept}.${name};`)
      await client.exec(
        `begin; truncate ${names.map((name) => `public.${name}`).join(', ')}; ${fill.join(' ')} commit;`,
      )
      free.push(client)
    },
  }
}

/** A store of a test's own, in memory, with the template's tables. */
export async function copyOfTemplate(): Promise<PGlite> {
  const file = process.env[templateVariable]
  if (file === undefined) throw new Error(`${templateVariable} names no template of the store.`)
  return PGlite.create({ loadDataDir: new Blob([await readFile(file)]) })
}
