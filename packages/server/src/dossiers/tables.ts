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

/** Documents being written: any JSON, saved as it is, whole or not. */
export const draftTable = pgTable('drafts', {
  id: text('id').primaryKey(),
  document: jsonb('document').notNull(),
  savedAt: text('saved_at').notNull(),
})
