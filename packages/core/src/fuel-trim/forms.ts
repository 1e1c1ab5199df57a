import { z } from 'zod'
import { hashField, type EntryForms } from '../journal/index.ts'

const fileName = z.string().min(1).max(300)
const cellChanges = z
  .array(z.strictObject({ rpm: z.number(), load: z.number(), old: z.number(), new: z.number() }))
  .min(1)
  .max(1600)

/** What the entries of this capability hold beside their heads, by kind. */
export const trimForms = {
  'log-imported': {
    log: hashField,
    name: fileName,
    rows: z.int().min(0),
    bytes: z.int().min(0),
    mapping: z.strictObject({
      columns: z.record(z.string(), z.string()),
      units: z.record(z.string(), z.string()),
      dropUnreadable: z.boolean(),
    }),
    /* entry that made the table in force on the ride; null: the table the kit ships with */
    tableInForce: z.string().nullable(),
  },
  'trim-accepted': {
    log: hashField,
    fitVersion: z.int().positive(),
    options: z.strictObject({ gain: z.number(), maxStepPct: z.number(), delaySeconds: z.number() }),
    cells: cellChanges,
  },
  'trim-loaded': { name: fileName, cells: cellChanges },
} satisfies EntryForms
