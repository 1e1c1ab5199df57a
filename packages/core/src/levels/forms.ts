import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import type { EntryForms } from '../journal/index.ts'
import { levelUses } from './uses.ts'

const reading = z.strictObject({
  value: z.number().min(-1000).max(100_000),
  seconds: z.number().min(0).max(36_000).optional(),
  at: z.string().max(80).optional(),
})

/** What the entries of this capability hold beside their heads, by kind. */
export const levelForms = {
  /* a loaded run at a level, 0 is stock; readings by quantity */
  'level-run': {
    level: z.int().min(0).max(20),
    readings: z.record(z.string().min(1).max(80), reading),
    use: z.enum(levelUses).optional(),
    altitudeM: z.number().min(-400).max(6000).optional(),
    kit: refOf.kit.optional(),
  },
} satisfies EntryForms
