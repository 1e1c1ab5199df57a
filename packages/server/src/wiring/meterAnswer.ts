import { meterStates } from '@tidy-badger/core/dossiers'
import { meterPhases } from '@tidy-badger/core/wiring'
import { z } from 'zod'

/** Where a lead of the meter is held; `says` is for people. */
const lead = z.looseObject({ says: z.string() })
const figure = z.number().nullable()
const supplySchema = z.strictObject({
  /** Empty for a module that lives from the control unit's plug. */
  states: z.array(
    z.strictObject({
      state: z.enum(meterStates),
      supplyV: figure,
      groundV: figure,
      batteryV: figure,
      lostV: figure,
      moduleA: z.number(),
    }),
  ),
  /** Each feed with the most that flows through it, and its fuse. */
  feeds: z.array(
    z.strictObject({
      kitEnd: z.string(),
      name: z.string(),
      mostA: z.number(),
      fuseA: figure,
      fuse: z.strictObject({ ok: z.boolean(), why: z.string() }).nullable(),
    }),
  ),
  /** Standing, the key off: until half of the battery is used. */
  parked: z.strictObject({ machineMa: figure, kitsMa: z.number(), days: figure }),
})

/** What is measured on a job. Where a card is barred it has no range. */
export const meterAnswerSchema = z.strictObject({
  cards: z.array(
    z.strictObject({
      id: z.string(),
      kitEnd: z.string(),
      phase: z.enum(meterPhases),
      state: z.enum(meterStates),
      quantity: z.enum(['voltage', 'alternating voltage', 'resistance', 'frequency']),
      unit: z.enum(['V', 'V AC', 'ohm', 'Hz']),
      low: figure,
      high: figure,
      /** By the circuit, joined as planned and as joined now; null where it gives none. */
      planned: figure,
      built: figure,
      red: lead,
      black: lead,
      alike: z.array(
        z.strictObject({
          connector: z.string(),
          cavity: z.int(),
          net: z.string(),
          volts: z.number(),
          tell: z.strictObject({ state: z.enum(meterStates), own: z.number(), other: z.number() }).nullable(),
          says: z.string(),
        }),
      ),
      barred: z.string().nullable(),
    }),
  ),
  /** How the module is fed by the circuit, joined as planned and as joined now; of several kits the first, and each by itself. */
  supply: z.strictObject({
    planned: supplySchema,
    built: supplySchema,
    kits: z
      .array(z.strictObject({ kit: z.string(), name: z.string(), planned: supplySchema, built: supplySchema }))
      .optional(),
  }),
})
export type MeterAnswer = z.infer<typeof meterAnswerSchema>
