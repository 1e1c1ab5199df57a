import { z } from 'zod'
import type { EntryForms } from '../journal/index.ts'
import { monitorIds } from './readiness.ts'
import { regenerationPhases } from './state.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const aftertreatmentForms = {
  regeneration: {
    phase: z.enum(regenerationPhases),
    text: z.string().max(400),
    /* what was read and looked at before it began */
    read: z
      .strictObject({
        coolantC: z.number().min(-60).max(200).optional(),
        fuelPct: z.number().min(0).max(100).optional(),
        idleMin: z.number().min(0).max(1000).optional(),
        neutral: z.boolean().optional(),
        sootPct: z.number().min(0).max(400).optional(),
        oilOverMark: z.boolean().optional(),
        barringCodes: z.int().min(0).max(200).optional(),
        ground: z.enum(['bare', 'stubble', 'grass']).optional(),
        clearM: z.number().min(0).max(1000).optional(),
        outdoors: z.boolean().optional(),
        blownClean: z.boolean().optional(),
        stays: z.boolean().optional(),
      })
      .optional(),
  },
  'readiness-read': {
    monitors: z.array(z.strictObject({ id: z.enum(monitorIds), done: z.boolean() })).max(30),
  },
} satisfies EntryForms
