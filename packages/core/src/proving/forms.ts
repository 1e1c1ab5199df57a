import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import type { EntryForms } from '../journal/index.ts'
import { pullSources, pullTimes } from './state.ts'

const rpm = z.number().min(0).max(100_000)
const kw = z.number().min(-2000).max(5000)
const nm = z.number().min(-100_000).max(100_000)
const celsius = z.number().min(-60).max(1200)
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
    conditions: z
      .strictObject({
        warmUp: z.boolean().optional(),
        intakeC: celsius.optional(),
        oilC: celsius.optional(),
        exhaustC: celsius.optional(),
        outsideC: celsius.optional(),
        pressureKPa: z.number().min(40).max(115).optional(),
        humidityPct: z.number().min(0).max(100).optional(),
        gear: z.string().min(1).max(20).optional(),
        tyreHeightM: z.number().min(0.1).max(3).optional(),
        massKg: z.number().min(20).max(60_000).optional(),
        dragAreaM2: z.number().min(0).max(15).optional(),
        rolling: z.number().min(0).max(0.3).optional(),
        slope: z.number().min(-0.4).max(0.4).optional(),
        direction: z.enum(['there', 'back']).optional(),
        windKmh: z.number().min(0).max(200).optional(),
        locked: z.boolean().optional(),
      })
      .optional(),
    source: z.enum(pullSources).optional(),
  },
  'gain-claimed': {
    powerKw: kw.optional(),
    torqueNm: nm.optional(),
    of: z.enum(['wheel', 'engine']),
    as: z.enum(['peak', 'largest-gain']).optional(),
    /* of the engine's power, measured by coasting down on a bench, lost on the way to the wheels */
    lossPct: z.number().min(0).max(60).optional(),
  },
  /* the kit's approval for this machine; without a number there is none, and who was told so */
  'approval-asked': {
    market: z.string().trim().min(1).max(80),
    number: z.string().trim().min(1).max(80).optional(),
    with: z.string().trim().min(1).max(120),
    kit: refOf.kit.optional(),
  },
  'coasted-down': {
    massKg: z.number().min(20).max(60_000),
    dragAreaM2: z.number().positive().max(15),
    dragSeM2: z.number().min(0).max(15),
    rolling: z.number().positive().max(0.3),
    rollingSe: z.number().min(0).max(0.3),
  },
} satisfies EntryForms
