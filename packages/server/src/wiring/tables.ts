import { pgTable, text } from 'drizzle-orm/pg-core'

/** What kit sheets say wrongly, written down once for every later job with that kit on that machine. */
export const erratumTable = pgTable('errata', {
  id: text('id').primaryKey(),
  kit: text('kit').notNull(),
  machine: text('machine').notNull(),
  kitEnd: text('kit_end').notNull(),
  says: text('says').notNull(),
  is: text('is_there').notNull(),
  by: text('by').notNull(),
  at: text('at').notNull(),
})
