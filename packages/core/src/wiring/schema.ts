import { z } from 'zod'
import { tapMethods, wireColourSchema, refOf } from '../dossiers/index.ts'
import type { ShapeOf } from '../shared/index.ts'
import { pairSides, wireHalves, type Connection } from './model.ts'
import { traceKinds, type TraceNode } from './traceTree.ts'

export const connectionTargetSchema = z.union([
  z.strictObject({ connector: refOf.connector, cavity: z.int().positive(), half: z.enum(wireHalves).optional() }),
  z.strictObject({ connector: refOf.connector, side: z.enum(pairSides).optional() }),
  z.strictObject({ stud: refOf.stud }),
  z.strictObject({ kitEnd: refOf.kitPlace }),
  z.strictObject({ closed: z.enum(['cap', 'terminator']) }),
  z.strictObject({ open: z.literal(true) }),
])

/** Where a finding, a reading or a note stands, as an entry writes it. */
export const placeFields = {
  kitEnd: refOf.kitEnd.optional(),
  connector: refOf.connector.optional(),
  cavity: z.int().optional(),
  stud: refOf.stud.optional(),
  passage: refOf.passage.optional(),
}

/** A place that an end is fixed to in the plan: a whole plug, a cavity, a stud, or capped. */
export const plannedPlaceSchema = z.union([
  z.strictObject({ connector: refOf.connector, cavity: z.int().positive() }),
  z.strictObject({ connector: refOf.connector }),
  z.strictObject({ stud: refOf.stud }),
  z.strictObject({ closed: z.literal('cap') }),
])

export const connectionSchema = z.strictObject({
  kitEnd: refOf.kitEnd,
  to: connectionTargetSchema,
  method: z.enum(tapMethods).optional(),
  tugged: z.boolean().optional(),
  fuseA: z.number().positive().max(500).optional(),
} satisfies ShapeOf<Connection>)

export const traceNodeSchema: z.ZodType<TraceNode> = z.strictObject({
  kind: z.enum(traceKinds),
  words: z.string(),
  colour: wireColourSchema.optional(),
  connector: refOf.connector.optional(),
  cavity: z.int().positive().optional(),
  kitEnd: refOf.kitEnd.optional(),
  children: z.array(z.lazy(() => traceNodeSchema)),
})
