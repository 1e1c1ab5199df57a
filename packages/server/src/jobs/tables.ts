import type { VariantId } from '@tidy-badger/core/dossiers'
import { integer, jsonb, pgTable, primaryKey, text, uniqueIndex } from 'drizzle-orm/pg-core'
import { dossierTable } from '../dossiers/tables.ts'

export const jobTable = pgTable('jobs', {
  id: text('id').primaryKey(),
  /** Id of the job this one was first opened as; its own unless imported. */
  origin: text('origin').notNull().unique(),
  title: text('title').notNull(),
  machineHash: text('machine_hash')
    .notNull()
    .references(() => dossierTable.hash),
  machineVariant: text('machine_variant').$type<VariantId>(),
  kitHash: text('kit_hash')
    .notNull()
    .references(() => dossierTable.hash),
  /** Kits beyond the first, and those that were in the machine before, by their hashes, in order. */
  moreKits: jsonb('more_kits').notNull().default([]),
  createdAt: text('created_at').notNull(),
  provenance: jsonb('provenance').notNull(),
  /** Put away by the keeper; still there, still written to. */
  archivedAt: text('archived_at'),
  /** Thrown away; kept for thirty days, then gone. */
  deletedAt: text('deleted_at'),
})

/**
 * What the yard's list and the learning of times need of a job, so that neither replays every journal. Written in the
 * transaction of every append; worked out anew when `head` or `version` no longer fit.
 */
export const summaryTable = pgTable('job_summaries', {
  job: text('job')
    .primaryKey()
    .references(() => jobTable.id, { onDelete: 'cascade' }),
  head: integer('head').notNull(),
  version: integer('version').notNull(),
  body: jsonb('body').notNull(),
})

/** The journal: rows are only ever added. `body` is the entry as the client sent it. */
export const entryTable = pgTable(
  'entries',
  {
    job: text('job')
      .notNull()
      .references(() => jobTable.id),
    seq: integer('seq').notNull(),
    id: text('id').notNull(),
    v: integer('v').notNull(),
    receivedAt: text('received_at').notNull(),
    body: jsonb('body').notNull(),
    /** Device that sent it; null: written on the machine itself, or before devices were noted. */
    sender: text('sender'),
  },
  (table) => [primaryKey({ columns: [table.job, table.seq] }), uniqueIndex('entries_job_id').on(table.job, table.id)],
)
