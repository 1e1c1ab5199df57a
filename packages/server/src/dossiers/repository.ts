import { and, desc, eq, sql } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { dossierTable, draftTable } from './tables.ts'

export type DossierRow = typeof dossierTable.$inferSelect
export type DraftRow = typeof draftTable.$inferSelect

export function dossierRepository(db: Database) {
  const published = (kind: string, id: string) =>
    and(eq(dossierTable.kind, kind), eq(dossierTable.id, id), eq(dossierTable.published, true))
  return {
    async byHash(hash: string): Promise<DossierRow | undefined> {
      return (await db.select().from(dossierTable).where(eq(dossierTable.hash, hash)))[0]
    },
    /** The newest published version, or the one asked for. */
    async byId(kind: string, id: string, version?: number): Promise<DossierRow | undefined> {
      const wanted =
        version === undefined ? published(kind, id) : and(published(kind, id), eq(dossierTable.version, version))
      const rows = await db.select().from(dossierTable).where(wanted).orderBy(desc(dossierTable.version)).limit(1)
      return rows[0]
    },
    allOf: (kind: string, id: string): Promise<DossierRow[]> =>
      db.select().from(dossierTable).where(published(kind, id)).orderBy(desc(dossierTable.version)),
    /** Publishes several that are new, all or none. */
    async publishNew(rows: readonly DossierRow[]): Promise<void> {
      if (rows.length > 0) await db.insert(dossierTable).values([...rows])
    },
    /** Published ones by kind and id, the newest first, without their documents. */
    heads: (): Promise<{ hash: string; kind: string; id: string; version: number }[]> =>
      db
        .select({
          hash: dossierTable.hash,
          kind: dossierTable.kind,
          id: dossierTable.id,
          version: dossierTable.version,
        })
        .from(dossierTable)
        .where(eq(dossierTable.published, true))
        .orderBy(dossierTable.kind, dossierTable.id, desc(dossierTable.version)),
    hashes: async (): Promise<string[]> =>
      (await db.select({ hash: dossierTable.hash }).from(dossierTable).orderBy(dossierTable.hash)).map(
        (row) => row.hash,
      ),
    /** A document known by its hash stays as it is. */
    async add(row: DossierRow): Promise<void> {
      await db.insert(dossierTable).values(row).onConflictDoNothing({ target: dossierTable.hash })
    },
    /** @returns whether that version was free */
    async publish(row: DossierRow): Promise<boolean> {
      return db.transaction(async (tx) => {
        const wanted = and(published(row.kind, row.id), eq(dossierTable.version, row.version))
        if ((await tx.select({ hash: dossierTable.hash }).from(dossierTable).where(wanted)).length > 0) return false
        await tx
          .insert(dossierTable)
          .values({ ...row, published: true })
          .onConflictDoUpdate({ target: dossierTable.hash, set: { published: true } })
        return true
      })
    },
    async draft(id: string): Promise<DraftRow | undefined> {
      return (await db.select().from(draftTable).where(eq(draftTable.id, id)))[0]
    },
    drafts: (): Promise<DraftRow[]> => db.select().from(draftTable).orderBy(desc(draftTable.savedAt)),
    /**
     * Saves a draft that was made on revision `base`; null: a new one.
     * @returns the revision it has now, or the draft that stands there instead (null: none)
     */
    async saveDraft(
      row: Omit<DraftRow, 'revision'>,
      base: number | null,
    ): Promise<{ revision: number } | { stands: DraftRow | null }> {
      return db.transaction(async (tx) => {
        const known = (await tx.select().from(draftTable).where(eq(draftTable.id, row.id)))[0]
        if ((known?.revision ?? null) !== base) return { stands: known ?? null }
        const revision = (known?.revision ?? 0) + 1
        if (known)
          await tx
            .update(draftTable)
            .set({ ...row, revision })
            .where(eq(draftTable.id, row.id))
        else await tx.insert(draftTable).values({ ...row, revision })
        return { revision }
      })
    },
    /** Brings a draft back as it was; one that was saved later stays. */
    async restoreDraft(row: DraftRow): Promise<void> {
      const known = (await db.select().from(draftTable).where(eq(draftTable.id, row.id)))[0]
      if (!known) await db.insert(draftTable).values(row)
      else if (known.savedAt < row.savedAt)
        await db
          .update(draftTable)
          .set({ ...row, revision: Math.max(known.revision, row.revision) + 1 })
          .where(eq(draftTable.id, row.id))
    },
    /** Hashes of photos that any document or draft names. */
    async photosNamed(): Promise<Set<string>> {
      const named = sql<string>`jsonb_path_query(document, '$.photos[*].photo') #>> '{}'`
      const [kept, drafts] = await Promise.all([
        db.select({ hash: named }).from(dossierTable),
        db.select({ hash: named }).from(draftTable),
      ])
      return new Set([...kept, ...drafts].map(({ hash }) => hash))
    },
    async dropDraft(id: string): Promise<boolean> {
      const rows = await db.delete(draftTable).where(eq(draftTable.id, id)).returning({ id: draftTable.id })
      return rows.length > 0
    },
  }
}
