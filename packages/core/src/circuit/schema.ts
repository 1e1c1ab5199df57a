import { z } from 'zod'
import { meterStates, refOf } from '../dossiers/index.ts'
import { connectionSchema } from '../wiring/index.ts'

const ohms = z.number().min(0).max(1e9)

export const probePlaceSchema = z.union([
  z.strictObject({
    connector: refOf.connector,
    cavity: z.int().positive(),
    half: z.enum(['loom', 'device']).optional(),
  }),
  z.strictObject({ stud: refOf.stud }),
  z.strictObject({ splice: refOf.splice }),
  z.strictObject({ bare: z.literal('metal') }),
  z.strictObject({ kitEnd: refOf.kitEnd, kit: refOf.kit.optional() }),
  z.strictObject({ module: refOf.kit, pin: z.enum(['supply', 'ground']) }),
])

export const circuitFaultSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wire'), wire: refOf.wire, ohms: ohms.nullable() }),
  z.strictObject({
    kind: z.literal('contact'),
    connector: refOf.connector,
    cavity: z.int().positive(),
    ohms: ohms.nullable(),
  }),
  z.strictObject({ kind: z.literal('supply'), net: refOf.net, live: z.boolean() }),
  z.strictObject({ kind: z.literal('touch'), from: probePlaceSchema, to: probePlaceSchema, ohms }),
])

/** Connections of several kits say which kit an end is of, where more than one has it. */
export const kitConnectionSchema = z.strictObject({ ...connectionSchema.shape, kit: refOf.kit.optional() })

/** What is asked of a circuit beside machine and kits. */
export const readingAskedSchema = z.strictObject({
  connections: z.array(kitConnectionSchema).max(500).default([]),
  faults: z.array(circuitFaultSchema).max(100).default([]),
  state: z.enum(meterStates),
  red: probePlaceSchema,
  black: probePlaceSchema,
})
export type ReadingAsked = z.infer<typeof readingAskedSchema>

export const readingAnswerSchema = z.union([
  z.strictObject({ volts: z.number().nullable(), floating: z.boolean() }),
  z.strictObject({ ohms: z.number().nullable(), floating: z.boolean() }),
])
export type ReadingAnswer = z.infer<typeof readingAnswerSchema>
