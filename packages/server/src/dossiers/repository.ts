import { and, desc, eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { dossierTable, draftTable } from './tables.ts'

export type DossierRow = typeof dossierTable.$inferSelect
export type DraftRow = typeof draftTable.$inferSelect

export function dossierRepository(db: Database) {
  return {
    async byHash(hash: string): Promise<DossierRow | undefined> {
      return (await db.select().from(dossierTable).where(eq(dossierTable.hash, hash)))[0]
    },
    /** The newest version, or the one asked for. */
    async byId(kind: string, id: string, version?: number): Promise<DossierRow | undefined> {
      const wanted = [eq(dossierTable.kind, kind), eq(dossierTable.id, id)]
      if (version !== undefined) wanted.push(eq(dossierTable.version, version))
      const rows = await db
        .select()
        .from(dossierTable)
        .where(and(...wanted))
        .orderBy(desc(dossierTable.version), dossierTable.storedAt)
      return rows[0]
    },
    all: (): Promise<DossierRow[]> =>
      db.select().from(dossierTable).orderBy(dossierTable.kind, dossierTable.id, desc(dossierTable.version)),
    async add(row: DossierRow): Promise<void> {
      await db.insert(dossierTable).values(row).onConflictDoNothing()
    },
    async draft(id: string): Promise<DraftRow | undefined> {
      return (await db.select().from(draftTable).where(eq(draftTable.id, id)))[0]
    },
    drafts: (): Promise<DraftRow[]> => db.select().from(draftTable).orderBy(desc(draftTable.savedAt)),
    async saveDraft(row: DraftRow): Promise<void> {
      const { document, savedAt } = row
      await db.insert(draftTable).values(row).onConflictDoUpdate({ target: draftTable.id, set: { document, savedAt } })
    },
    async dropDraft(id: string): Promise<void> {
      await db.delete(draftTable).where(eq(draftTable.id, id))
    },
  }
}
