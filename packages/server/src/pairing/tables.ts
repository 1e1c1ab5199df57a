import { pgTable, text } from 'drizzle-orm/pg-core'

/** Devices let in from the yard's network. Only the hash of what they carry is kept. */
export const deviceTable = pgTable('devices', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** Whose it is; what it writes is theirs. Null: paired before devices had a person. */
  person: text('person'),
  tokenHash: text('token_hash').notNull().unique(),
  pairedAt: text('paired_at').notNull(),
  expiresAt: text('expires_at').notNull(),
  seenAt: text('seen_at').notNull(),
  revokedAt: text('revoked_at'),
})
