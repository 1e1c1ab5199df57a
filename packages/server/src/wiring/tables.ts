import type { KitEndId, KitId, MachineId } from '@tidy-badger/core/dossiers'
import { pgTable, text } from 'drizzle-orm/pg-core'

/** What kit sheets say wrongly, written down once for every later job with that kit on that machine. */
export const erratumTable = pgTable('errata', {
  id: text('id').primaryKey(),
  kit: text('kit').$type<KitId>().notNull(),
  machine: text('machine').$type<MachineId>().notNull(),
  kitEnd: text('kit_end').$type<KitEndId>().notNull(),
  says: text('says').notNull(),
  is: text('is_there').notNull(),
  by: text('by').notNull(),
  at: text('at').notNull(),
})
