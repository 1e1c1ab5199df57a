import { meterStates } from '@tidy-badger/core/dossiers'
import { meterPhases } from '@tidy-badger/core/wiring'
import { z } from 'zod'

/** Where a lead of the meter is held; `says` is for people. */
const lead = z.looseObject({ says: z.string() })
const figure = z.number().nullable()
const supplyRow = z.strictObject({
  state: z.enum(meterStates),
  supplyV: figure,
  groundV: figure,
  batteryV: figure,
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
  /** What stands at the module's own pins by the circuit; empty for one that lives from the control unit's plug. */
  supply: z.strictObject({ planned: z.array(supplyRow), built: z.array(supplyRow) }),
})
export type MeterAnswer = z.infer<typeof meterAnswerSchema>
