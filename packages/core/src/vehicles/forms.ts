import { z } from 'zod'
import { purposes, refOf, tapMethods } from '../dossiers/index.ts'
import { textField, type EntryForms } from '../journal/index.ts'
import { connectionTargetSchema } from '../wiring/index.ts'
import { meterUnits } from './state.ts'

const key = z.string().max(140)
const wound = { connector: refOf.connector, cavity: z.int().positive() }

/** What the entries of this capability hold beside their heads, by kind. */
export const vehicleForms = {
  opened: {
    purpose: z.enum(purposes),
    /* kits that were in the machine before, by the jobs that fitted them */
    cameFrom: z.array(z.strictObject({ key, job: z.string().min(1).max(64), as: key })).max(12),
    connections: z
      .array(
        z.strictObject({
          kitEnd: refOf.kitEnd,
          to: connectionTargetSchema,
          method: z.enum(tapMethods).optional(),
          fuseA: z.number().positive().max(500).optional(),
        }),
      )
      .max(400),
    mounts: z.array(z.strictObject({ key, place: refOf.place })).max(12),
    routes: z.array(z.strictObject({ part: refOf.loomPart, passages: z.array(refOf.passage).max(80) })).max(400),
    /* kits of this job that came off another machine, by the jobs that took them off */
    fromShelf: z
      .array(z.strictObject({ job: z.string().min(1).max(64), as: key }))
      .max(12)
      .optional(),
    settings: z.array(z.strictObject({ setting: refOf.setting, value: z.string().max(4000) })).max(200),
  },
  'puncture-sealed': { ...wound, how: textField },
  'cut-joined': { ...wound, how: textField },
  'meter-read': { value: z.number().min(0).max(5_000_000), unit: z.enum(meterUnits) },
} satisfies EntryForms
