import { desc, eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { deviceTable } from './tables.ts'

export type DeviceRow = typeof deviceTable.$inferSelect

export function deviceRepository(db: Database) {
  return {
    all: (): Promise<DeviceRow[]> => db.select().from(deviceTable).orderBy(desc(deviceTable.pairedAt)),
    async byToken(tokenHash: string): Promise<DeviceRow | undefined> {
      return (await db.select().from(deviceTable).where(eq(deviceTable.tokenHash, tokenHash)))[0]
    },
    async add(row: DeviceRow): Promise<void> {
      await db.insert(deviceTable).values(row)
    },
    async keep(rows: readonly DeviceRow[]): Promise<void> {
      if (rows.length > 0)
        await db
          .insert(deviceTable)
          .values([...rows])
          .onConflictDoNothing()
    },
    async seen(id: string, seenAt: string): Promise<void> {
      await db.update(deviceTable).set({ seenAt }).where(eq(deviceTable.id, id))
    },
    async revoke(id: string, revokedAt: string): Promise<boolean> {
      const rows = await db
        .update(deviceTable)
        .set({ revokedAt })
        .where(eq(deviceTable.id, id))
        .returning({ id: deviceTable.id })
      return rows.length > 0
    },
  }
}
