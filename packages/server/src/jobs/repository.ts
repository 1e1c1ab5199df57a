import type { VariantId } from '@tidy-badger/core/dossiers'
import { clientFields } from '@tidy-badger/core/journal'
import { and, asc, eq, inArray, isNotNull, lt, lte, max, sql } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import {
  type JournalEntry,
  type NewEntry,
  type OlderChoice,
  type Provenance,
  upcastStamped,
} from '@tidy-badger/core/jobs'
import { entryVersion } from '@tidy-badger/core/jobs'
import { refusal } from '../platform/errors.ts'
import type { Judged } from './judgeJob.ts'
import { entryTable, jobTable, summaryTable } from './tables.ts'

export interface JobRow {
  id: string
  origin: string
  title: string
  machineHash: string
  machineVariant: VariantId | null
  kitHash: string
  moreKits: MoreKit[]
  createdAt: string
  provenance: Provenance[]
  archivedAt: string | null
  deletedAt: string | null
}

/** A kit beyond the first. */
export interface MoreKit {
  hash: string
  /** It was in the machine before. */
  present?: boolean
}

/** An entry as it lies in the table, of whatever version. */
export interface StoredEntry {
  seq: number
  id: string
  v: number
  receivedAt: string
  body: unknown
  sender: string | null
}

export interface SummaryRow {
  head: number
  version: number
  body: Judged
}

/** The journal has another head than the one a batch was planned on. */
export class HeadMoved extends Error {}

type Writer = Pick<Database, 'insert' | 'select' | 'execute'>

/** The only place that knows how jobs and journals lie in tables. */
export function jobRepository(db: Database) {
  const rowOf = (row: typeof jobTable.$inferSelect): JobRow => ({
    ...row,
    // oxlint-disable-next-line typescript/consistent-type-assertions -- written by this repository alone
    provenance: row.provenance as Provenance[],
    // oxlint-disable-next-line typescript/consistent-type-assertions -- written by this repository alone
    moreKits: row.moreKits as MoreKit[],
  })
  const summaryOf = (row: typeof summaryTable.$inferSelect): SummaryRow => ({
    ...row,
    // oxlint-disable-next-line typescript/consistent-type-assertions -- written by this repository alone
    body: row.body as Judged,
  })
  const rowsAtOnce = 500
  /** The embedded database works in this thread: so many rows hold it for some 20 ms. */
  const rowsWritten = 100
  /** One parameter for many rows: the database takes them apart, many times quicker than row by row. */
  const write = async (tx: Writer, job: string, rows: readonly StoredEntry[]) => {
    for (let at = 0; at < rows.length; at += rowsWritten) {
      if (at > 0) await breath()
      await tx.execute(
        sql`insert into ${entryTable} (job, seq, id, v, received_at, body, sender)
            select ${job}, t.seq, t.id, t.v, t."receivedAt", t.body, t.sender
            from jsonb_to_recordset(${JSON.stringify(rows.slice(at, at + rowsWritten))}::jsonb)
              as t(seq integer, id text, v integer, "receivedAt" text, body jsonb, sender text)`,
      )
    }
  }
  const stored = (entries: readonly JournalEntry[], sender: string | null): StoredEntry[] =>
    entries.map((entry) => ({
      seq: entry.seq,
      id: entry.id,
      v: entry.v,
      receivedAt: entry.receivedAt,
      body: clientFields(entry),
      sender,
    }))
  const saveSummary = async (tx: Writer, job: string, { head, version, body }: SummaryRow) => {
    const row = { head, version, body }
    await tx
      .insert(summaryTable)
      .values({ job, ...row })
      .onConflictDoUpdate({ target: summaryTable.job, set: row })
  }
  const headIn = async (tx: Writer, job: string): Promise<number> => {
    const [row] = await tx
      .select({ head: max(entryTable.seq) })
      .from(entryTable)
      .where(eq(entryTable.job, job))
    return row.head ?? 0
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
        await write(tx, row.id, stored(entries, null))
      })
    },
    async mark(id: string, change: Partial<Pick<JobRow, 'archivedAt' | 'deletedAt'>>): Promise<void> {
      await db.update(jobTable).set(change).where(eq(jobTable.id, id))
    },
    /** @throws Refusal when an entry is of a version that is not known here */
    async journal(job: string): Promise<JournalEntry[]> {
      const rows = await db.select().from(entryTable).where(eq(entryTable.job, job)).orderBy(asc(entryTable.seq))
      return rows.map((row) => upcast(row.v, row))
    },
    /** Entries as they lie, some at a time, up to a head. */
    async *storedJournal(job: string, upTo: number): AsyncGenerator<StoredEntry[]> {
      for (let after = 0; after < upTo;) {
        const rows = await db
          .select()
          .from(entryTable)
          .where(and(eq(entryTable.job, job), lte(entryTable.seq, upTo), sql`${entryTable.seq} > ${after}`))
          .orderBy(asc(entryTable.seq))
          .limit(rowsAtOnce)
        const last = rows.at(-1)
        if (!last) return
        yield rows.map(({ job: _job, ...row }) => row)
        after = last.seq
      }
    },
    /** Appends entries that were planned on `head`, with what follows from them for the list; all or nothing. */
    append: (
      job: string,
      head: number,
      entries: readonly JournalEntry[],
      summary: SummaryRow,
      sender: string | null,
    ): Promise<void> =>
      db.transaction(async (tx) => {
        if ((await headIn(tx, job)) !== head) throw new HeadMoved()
        await write(tx, job, stored(entries, sender))
        await saveSummary(tx, job, summary)
      }),
    /** Brings entries back as they lay, after those that are there. */
    restore: (job: string, row: JobRow | null, entries: readonly StoredEntry[]): Promise<void> =>
      db.transaction(async (tx) => {
        if (row) await tx.insert(jobTable).values(row)
        await write(tx, job, entries)
      }),
    saveSummary: (job: string, summary: SummaryRow) => saveSummary(db, job, summary),
    async summaries(): Promise<Map<string, SummaryRow>> {
      return new Map((await db.select().from(summaryTable)).map((row) => [row.job, summaryOf(row)]))
    },
    async heads(): Promise<Map<string, number>> {
      const rows = await db
        .select({ job: entryTable.job, head: max(entryTable.seq) })
        .from(entryTable)
        .groupBy(entryTable.job)
      return new Map(rows.map((row) => [row.job, row.head ?? 0]))
    },
    headOf: (job: string) => headIn(db, job),
    /** Removes jobs thrown away before an instant, for good. @returns how many */
    async purge(before: string): Promise<string[]> {
      return db.transaction(async (tx) => {
        const gone = await tx
          .select({ id: jobTable.id })
          .from(jobTable)
          .where(and(isNotNull(jobTable.deletedAt), lt(jobTable.deletedAt, before)))
        const ids = gone.map((row) => row.id)
        if (ids.length === 0) return []
        await tx.delete(entryTable).where(inArray(entryTable.job, ids))
        await tx.delete(jobTable).where(inArray(jobTable.id, ids))
        return ids
      })
    },
    /** Hashes of logs and photos that any entry of any job names. */
    async filesNamed(): Promise<Set<string>> {
      const rows = await db
        .selectDistinct({ log: sql<string | null>`body->>'log'`, photo: sql<string | null>`body->>'photo'` })
        .from(entryTable)
        .where(sql`body->>'kind' in ('log-imported', 'photo')`)
      return new Set(rows.flatMap((row) => [row.log, row.photo].filter((hash) => hash !== null)))
    },
  }
}

/** Lets requests be answered between two pieces of work: the embedded database itself never does. */
function breath(): Promise<void> {
  return new Promise((done) => setImmediate(done))
}

/** Entries as they were written, with their version: what an older one left unsaid, replay says. */
function upcast(v: number, row: { seq: number; receivedAt: string; body: unknown }): JournalEntry {
  if (v < 1 || v > entryVersion)
    throw refusal(
      'unprocessable',
      'cannot-be-read',
      `Entry ${row.seq} is of version ${v}, which this Tidy Badger does not know; it was written by a newer one. Export the job and open it there, or update this one.`,
    )
  // oxlint-disable-next-line typescript/consistent-type-assertions -- checked by its schema before it was stored
  return upcastStamped({ ...(row.body as NewEntry | OlderChoice), seq: row.seq, receivedAt: row.receivedAt, v })
}
