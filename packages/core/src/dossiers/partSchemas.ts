import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { colourNames } from './colours.ts'
import { keys, outlines, type Cavity, type Shell, type WireColour } from './model.ts'
import { signalKinds, signalRoles, type SignalSort } from './signals.ts'

export const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id is small letters, digits and dashes, at most 64')
/** Ids by family: they look the same and do not pass for one another. */
export const ids = {
  machine: id.brand<'machine'>(),
  kit: id.brand<'kit'>(),
  connector: id.brand<'connector'>(),
  net: id.brand<'net'>(),
  wire: id.brand<'wire'>(),
  splice: id.brand<'splice'>(),
  stud: id.brand<'stud'>(),
  zone: id.brand<'zone' | 'point'>(),
  step: id.brand<'step'>(),
  variant: id.brand<'variant'>(),
  cover: id.brand<'cover'>(),
  place: id.brand<'place'>(),
  way: id.brand<'way'>(),
  spot: id.brand<'spot' | 'point'>(),
  /** A zone or a spot, in one namespace. */
  point: id.brand<'point'>(),
  passage: id.brand<'passage'>(),
  kitEnd: id.brand<'kit-end' | 'kit-place' | 'loom-part'>(),
  socket: id.brand<'socket' | 'kit-place'>(),
  /** An end or a socket of a kit, in one namespace. */
  kitPlace: id.brand<'kit-place'>(),
  part: id.brand<'part'>(),
  setting: id.brand<'setting'>(),
}
const ref = z.string().min(1).max(64)
/** Ids as an entry or a question names them: whether there is such a one is asked of machine and kit. */
export const refOf = {
  machine: ref.brand<'machine'>(),
  kit: ref.brand<'kit'>(),
  connector: ref.brand<'connector'>(),
  net: ref.brand<'net'>(),
  wire: ref.brand<'wire'>(),
  splice: ref.brand<'splice'>(),
  stud: ref.brand<'stud'>(),
  cover: ref.brand<'cover'>(),
  place: ref.brand<'place'>(),
  passage: ref.brand<'passage'>(),
  step: ref.brand<'step'>(),
  variant: ref.brand<'variant'>(),
  kitEnd: ref.brand<'kit-end' | 'kit-place' | 'loom-part'>(),
  loomPart: ref.brand<'loom-part'>(),
  kitPlace: ref.brand<'kit-place'>(),
  way: ref.brand<'way'>(),
  part: ref.brand<'part'>(),
  setting: ref.brand<'setting'>(),
}
export const words = z.string().min(1).max(600)
export const colour = z.enum(colourNames)
export const positive = z.number().positive()
export const areaMm2 = z.number().positive().max(120)
export const axis = z
  .array(z.number())
  .min(2)
  .max(40)
  .refine(
    (values) => values.every((value, i) => i === 0 || value > values[i - 1]),
    'an axis must rise from point to point',
  )

export const wireColour = z.strictObject({ base: colour, stripe: colour.optional() } satisfies ShapeOf<WireColour>)
export const shell = z.strictObject({
  family: words,
  colour,
  outline: z.enum(outlines),
  key: z.enum(keys),
} satisfies ShapeOf<Shell>)
const cavity = z.strictObject({
  number: z.int().positive(),
  x: z.number().min(0).max(10),
  y: z.number().min(0).max(10),
  blank: z.boolean().optional(),
  spare: z.enum(signalRoles).optional(),
} satisfies ShapeOf<Cavity>)
export const cavities = z.array(cavity).min(1).max(160)
export const gender = z.enum(['female', 'male'])
export const sort = {
  signal: z.enum(signalKinds),
  role: z.enum(signalRoles),
  cylinder: z.int().min(1).max(16).optional(),
  row: z.enum(['upper', 'lower']).optional(),
  track: z.union([z.literal(1), z.literal(2)]).optional(),
} satisfies ShapeOf<SignalSort>
