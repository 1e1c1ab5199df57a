import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { colourNames } from './colours.ts'
import { keys, outlines, type Cavity, type Shell, type WireColour } from './model.ts'
import { signalKinds, signalRoles, type SignalSort } from './signals.ts'

export const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id is small letters, digits and dashes, at most 64')
/** Schemas of ids by family, all of the same text: they look the same and do not pass for one another. */
export function idFamilies(text: z.ZodString) {
  return {
    machine: text.brand<'machine'>(),
    kit: text.brand<'kit'>(),
    connector: text.brand<'connector'>(),
    net: text.brand<'net'>(),
    wire: text.brand<'wire'>(),
    splice: text.brand<'splice'>(),
    stud: text.brand<'stud'>(),
    zone: text.brand<'zone' | 'point'>(),
    step: text.brand<'step'>(),
    variant: text.brand<'variant'>(),
    cover: text.brand<'cover'>(),
    place: text.brand<'place'>(),
    way: text.brand<'way'>(),
    spot: text.brand<'spot' | 'point'>(),
    /** A zone or a spot, in one namespace. */
    point: text.brand<'point'>(),
    passage: text.brand<'passage'>(),
    kitEnd: text.brand<'kit-end' | 'kit-place' | 'loom-part'>(),
    socket: text.brand<'socket' | 'kit-place'>(),
    /** An end or a socket of a kit, in one namespace. */
    kitPlace: text.brand<'kit-place'>(),
    /** A branch by its end, or the trunk. */
    loomPart: text.brand<'loom-part'>(),
    part: text.brand<'part'>(),
    drawnPart: text.brand<'drawn-part'>(),
    setting: text.brand<'setting'>(),
    lamp: text.brand<'lamp'>(),
  }
}
/** Ids as a document gives them. */
export const ids = idFamilies(id)
/** Ids as an entry or a question names them, of several kits with the kit's before it: whether there is such a one is asked of machine and kit. */
export const refOf = idFamilies(z.string().min(1).max(140))
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
  double: z.boolean().optional(),
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
  bank: z.union([z.literal(1), z.literal(2)]).optional(),
} satisfies ShapeOf<SignalSort>
