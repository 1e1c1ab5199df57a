import { and, desc, eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { dossierTable } from './tables.ts'

export type DossierRow = typeof dossierTable.$inferSelect

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
  }
}
