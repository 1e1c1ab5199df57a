import { eq } from 'drizzle-orm'
import type { Database } from '../platform/db.ts'
import { yardTable } from './tables.ts'

export function yardRepository(db: Database) {
  return {
    async read(key: string): Promise<unknown> {
      return (await db.select().from(yardTable).where(eq(yardTable.key, key)))[0]?.value
    },
    async write(key: string, value: unknown): Promise<void> {
      await db.insert(yardTable).values({ key, value }).onConflictDoUpdate({ target: yardTable.key, set: { value } })
    },
  }
}
