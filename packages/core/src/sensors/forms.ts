import { z } from 'zod'
import type { EntryForms } from '../journal/index.ts'
import { bossFrom, bossPoints } from './judgeBoss.ts'
import { pipeActs } from './state.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const sensorForms = {
  'boss-measured': {
    from: z.enum(bossFrom),
    behindMm: z.number().min(0).max(5000),
    tailMm: z.number().min(0).max(10_000).optional(),
    aboveDeg: z.number().min(-90).max(90),
    points: z.enum(bossPoints),
    standDeg: z.number().min(0).max(30),
    tight: z.boolean(),
  },
  'pipe-worked': { act: z.enum(pipeActs) },
} satisfies EntryForms
