import { jsonb, pgTable, text } from 'drizzle-orm/pg-core'

/** What is true of the yard as a whole: which store this is, when it was restored, how it is backed up. */
export const yardTable = pgTable('yard', {
  key: text('key').primaryKey(),
  value: jsonb('value').notNull(),
})
