import { z } from 'zod'
import { jobJournal } from './jobJournal.ts'
import { olderChoiceSchema } from './upcastEntry.ts'

/** What a client may append, by `kind`. */
export const newEntrySchema = jobJournal.schema

/** A batch of entries; decisions in their older form are taken too, from devices that have not been updated. */
export const appendSchema = z.strictObject({
  base: z.int().min(0).optional(),
  entries: z.array(jobJournal.schemaWith(olderChoiceSchema)).min(1).max(5000),
})
