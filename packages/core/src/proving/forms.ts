import { z } from 'zod'
import type { EntryForms } from '../journal/index.ts'
import { pullTimes } from './state.ts'

const rpm = z.number().min(0).max(100_000)
const kw = z.number().min(-2000).max(5000)
const nm = z.number().min(-100_000).max(100_000)
const kmh = z.number().min(0).max(1000).nullable()

/** What the entries of this capability hold beside their heads, by kind. */
export const provingForms = {
  'pull-made': {
    when: z.enum(pullTimes),
    name: z.string().min(1).max(120),
    points: z
      .array(z.strictObject({ rpm, speedKmh: kmh, powerKw: kw, torqueNm: nm, sePowerKw: kw.nullable() }))
      .min(1)
      .max(400),
    peakPower: z.strictObject({ kw, rpm, speedKmh: kmh }),
    peakTorque: z.strictObject({ nm, rpm }),
    factor: z.number().min(0.5).max(2),
    warnings: z.array(z.string().max(400)).max(20),
  },
  'gain-claimed': {
    powerKw: kw.optional(),
    torqueNm: nm.optional(),
    of: z.enum(['wheel', 'engine']),
  },
} satisfies EntryForms
