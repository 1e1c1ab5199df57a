import { asc, eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import type { JournalEntry, NewEntry, Provenance } from '@tidy-badger/core/jobs'
import { clientFields } from '@tidy-badger/core/jobs'
import { entryTable, jobTable } from './tables.ts'

export interface JobRow {
  id: string
  origin: string
  title: string
  machineHash: string
  machineVariant: string | null
  kitHash: string
  createdAt: string
  provenance: Provenance[]
}

/** The only place that knows how jobs and journals lie in tables. */
export function jobRepository(db: Database) {
  const rowOf = (row: typeof jobTable.$inferSelect): JobRow => ({
    ...row,
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- written by this repository alone
    provenance: row.provenance as Provenance[],
  })
  const write = async (tx: Pick<Database, 'insert'>, job: string, entries: readonly JournalEntry[]) => {
    const rowsAtOnce = 500
    for (let at = 0; at < entries.length; at += rowsAtOnce)
      await tx.insert(entryTable).values(
        entries.slice(at, at + rowsAtOnce).map((entry) => ({
          job,
          seq: entry.seq,
          id: entry.id,
          v: entry.v,
          receivedAt: entry.receivedAt,
          body: clientFields(entry),
        })),
      )
  }
  return {
    all: async (): Promise<JobRow[]> =>
      (await db.select().from(jobTable).orderBy(asc(jobTable.createdAt), asc(jobTable.id))).map(rowOf),
    byId: async (id: string): Promise<JobRow | undefined> =>
      (await db.select().from(jobTable).where(eq(jobTable.id, id))).map(rowOf)[0],
    byOrigin: async (origin: string): Promise<JobRow | undefined> =>
      (await db.select().from(jobTable).where(eq(jobTable.origin, origin))).map(rowOf)[0],
    async add(row: JobRow, entries: readonly JournalEntry[]): Promise<void> {
      await db.transaction(async (tx) => {
        await tx.insert(jobTable).values(row)
        await write(tx, row.id, entries)
      })
    },
    async journal(job: string): Promise<JournalEntry[]> {
      const rows = await db.select().from(entryTable).where(eq(entryTable.job, job)).orderBy(asc(entryTable.seq))
      return rows.map((row) => upcast(row.v, row))
    },
    append: (job: string, entries: readonly JournalEntry[]): Promise<void> =>
      db.transaction((tx) => write(tx, job, entries)),
  }
}

/** Entries as the present version writes them. Version 1 is the only one so far. */
function upcast(v: number, row: { seq: number; receivedAt: string; body: unknown }): JournalEntry {
  if (v !== 1) throw new Error(`jobs: entries of version ${v} were written by a newer Tidy Badger`)
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- checked by its schema before it was stored
  return { ...(row.body as NewEntry), seq: row.seq, receivedAt: row.receivedAt, v }
}
