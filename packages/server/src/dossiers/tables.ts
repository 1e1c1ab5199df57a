import { integer, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core'

/** Published dossier versions. A row never changes; the hash is that of the document. */
export const dossierTable = pgTable('dossiers', {
  hash: text('hash').primaryKey(),
  kind: text('kind').notNull(),
  id: text('id').notNull(),
  version: integer('version').notNull(),
  document: jsonb('document').notNull(),
  storedAt: timestamp('stored_at', { withTimezone: true, mode: 'string' }).notNull(),
})
