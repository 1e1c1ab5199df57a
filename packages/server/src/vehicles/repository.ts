import { asc, eq, max } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import type { VehicleEntry } from './record.ts'
import { vehicleEntryTable } from './tables.ts'

export interface VehicleRow {
  vehicle: string
  seq: number
  receivedAt: string
  body: VehicleEntry
}

/** The only place that knows how machines on file lie in a table. */
export function vehicleRepository(db: Database) {
  return {
    all: async (): Promise<VehicleRow[]> =>
      (
        await db.select().from(vehicleEntryTable).orderBy(asc(vehicleEntryTable.vehicle), asc(vehicleEntryTable.seq))
      ).map(
        // oxlint-disable-next-line typescript/consistent-type-assertions -- written by this repository alone
        (row) => ({ ...row, body: row.body as VehicleEntry }),
      ),
    /** Appends entries of one or several machines, all or none. */
    append: (entries: readonly { vehicle: string; body: VehicleEntry }[], receivedAt: string): Promise<void> =>
      db.transaction(async (tx) => {
        for (const { vehicle, body } of entries) {
          const [row] = await tx
            .select({ head: max(vehicleEntryTable.seq) })
            .from(vehicleEntryTable)
            .where(eq(vehicleEntryTable.vehicle, vehicle))
          await tx.insert(vehicleEntryTable).values({ vehicle, seq: (row?.head ?? 0) + 1, receivedAt, body })
        }
      }),
    /** Brings rows back as they lay, where there are none of that machine. */
    async restore(rows: readonly VehicleRow[]): Promise<void> {
      await db.transaction(async (tx) => {
        for (const row of rows) await tx.insert(vehicleEntryTable).values(row).onConflictDoNothing()
      })
    },
  }
}
