import { z } from 'zod'
import { jobEntrySchema } from './jobForms.ts'
import { olderChoiceSchema } from './upcastEntry.ts'

/** A batch of entries; decisions in their older form are taken too, from devices that have not been updated. */
export const appendSchema = z.strictObject({
  base: z.int().min(0).optional(),
  entries: z.array(jobEntrySchema(olderChoiceSchema)).min(1).max(5000),
})
