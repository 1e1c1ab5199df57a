import type { KitId, MachineId } from '@tidy-badger/core/dossiers'
import type { Erratum } from '@tidy-badger/core/wiring'
import { and, asc, eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { erratumTable } from './tables.ts'

export function errataRepository(db: Database) {
  return {
    /** All of a kit on a machine, oldest first; all of all without either. */
    async about(kit?: KitId, machine?: MachineId): Promise<Erratum[]> {
      const wanted = [
        ...(kit === undefined ? [] : [eq(erratumTable.kit, kit)]),
        ...(machine === undefined ? [] : [eq(erratumTable.machine, machine)]),
      ]
      return db
        .select()
        .from(erratumTable)
        .where(and(...wanted))
        .orderBy(asc(erratumTable.at), asc(erratumTable.id))
    },
    async byId(id: string): Promise<Erratum | undefined> {
      return (await db.select().from(erratumTable).where(eq(erratumTable.id, id)))[0]
    },
    /** Those that are there stay as they are. */
    async keep(list: readonly Erratum[]): Promise<void> {
      if (list.length > 0)
        await db
          .insert(erratumTable)
          .values([...list])
          .onConflictDoNothing()
    },
    /** @returns whether its id was free */
    async add(erratum: Erratum): Promise<boolean> {
      const rows = await db
        .insert(erratumTable)
        .values(erratum)
        .onConflictDoNothing()
        .returning({ id: erratumTable.id })
      return rows.length > 0
    },
  }
}
