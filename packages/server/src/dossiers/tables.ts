import { sql } from 'drizzle-orm'
import { boolean, integer, jsonb, pgTable, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core'

/** Dossier versions. A row never changes; the hash is that of the document. */
export const dossierTable = pgTable(
  'dossiers',
  {
    hash: text('hash').primaryKey(),
    kind: text('kind').notNull(),
    id: text('id').notNull(),
    version: integer('version').notNull(),
    document: jsonb('document').notNull(),
    storedAt: timestamp('stored_at', { withTimezone: true, mode: 'string' }).notNull(),
    /** Known to everybody by id and version; else it belongs to the jobs that point at it. */
    published: boolean('published').notNull().default(true),
  },
  (table) => [
    uniqueIndex('dossiers_published')
      .on(table.kind, table.id, table.version)
      .where(sql`${table.published}`),
  ],
)

/** Documents being written: any JSON, saved as it is, whole or not. */
export const draftTable = pgTable('drafts', {
  id: text('id').primaryKey(),
  document: jsonb('document').notNull(),
  savedAt: text('saved_at').notNull(),
  /** Counts up with every save; whoever saves says which one it was made on. */
  revision: integer('revision').notNull().default(1),
  savedBy: text('saved_by'),
})
