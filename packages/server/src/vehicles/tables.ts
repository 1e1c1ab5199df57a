import { integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'

/** What was written down of machines on file, each in its order; what is in them is the replay of their jobs. Rows are only ever added. */
export const vehicleEntryTable = pgTable(
  'vehicle_entries',
  {
    vehicle: text('vehicle').notNull(),
    seq: integer('seq').notNull(),
    receivedAt: text('received_at').notNull(),
    body: jsonb('body').notNull(),
  },
  (table) => [primaryKey({ columns: [table.vehicle, table.seq] })],
)
