import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { colourNames } from './colours.ts'
import {
  signalKinds,
  signalRoles,
  stations,
  tapMethods,
  type Cavity,
  type Connector,
  type FilterFigures,
  type Kit,
  type KitPart,
  type KitSetting,
  type Lock,
  type Machine,
  type Net,
  type PairHalf,
  type PairLine,
  type Shell,
  type Step,
  type Stud,
  type Variant,
  type Wire,
  type WireColour,
  type Zone,
} from './model.ts'

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id is small letters, digits and dashes, at most 64')
const words = z.string().min(1).max(600)
const colour = z.enum(colourNames)
const positive = z.number().positive()
const areaMm2 = z.number().positive().max(120)
const axis = z
  .array(z.number())
  .min(2)
  .max(40)
  .refine(
    (values) => values.every((value, i) => i === 0 || value > values[i - 1]),
    'an axis must rise from point to point',
  )

const wireColour = z.strictObject({ base: colour, stripe: colour.optional() } satisfies ShapeOf<WireColour>)
const shell = z.strictObject({
  family: words,
  colour,
  outline: z.enum(['rectangle', 'round', 'oval', 'd-shape']),
  key: z.enum(['none', 'flat', 'notch', 'two ribs', 'side rib']),
} satisfies ShapeOf<Shell>)
const cavity = z.strictObject({
  number: z.int().positive(),
  x: z.number().min(0).max(10),
  y: z.number().min(0).max(10),
  blank: z.boolean().optional(),
} satisfies ShapeOf<Cavity>)
const cavities = z.array(cavity).min(1).max(160)
const lock = z.strictObject({
  kind: z.enum(['thumb tab', 'slide then press', 'squeeze', 'tang', 'bayonet', 'none']),
  colour: colour.optional(),
  opens: words,
} satisfies ShapeOf<Lock>)
const gender = z.enum(['female', 'male'])
const connector = z.strictObject({
  id,
  name: words,
  device: words,
  zone: id,
  place: words,
  shell,
  gender,
  cavities,
  lock,
} satisfies ShapeOf<Connector>)
const signal = z.enum(signalKinds)
const role = z.enum(signalRoles)
const net = z.strictObject({
  id,
  name: words,
  signal,
  role,
  spareA: z.number().min(0).optional(),
} satisfies ShapeOf<Net>)
const wirePlace = z.union([
  z.strictObject({ connector: id, cavity: z.int().positive() }),
  z.strictObject({ stud: id }),
  z.strictObject({ splice: id }),
])
const wire = z.strictObject({
  id,
  net: id,
  from: wirePlace,
  to: wirePlace,
  colour: wireColour,
  areaMm2,
} satisfies ShapeOf<Wire>)
const stud = z.strictObject({
  id,
  name: words,
  net: id,
  zone: id,
  place: words,
  threadMm: positive,
} satisfies ShapeOf<Stud>)
const zone = z.strictObject({
  id,
  name: words,
  conditions: z.array(z.enum(['hot', 'wet', 'vibration', 'dry'])),
} satisfies ShapeOf<Zone>)
const step = z.strictObject({
  id,
  station: z.enum(stations),
  text: words,
  why: words.optional(),
  caution: words.optional(),
  reading: z
    .strictObject({ quantity: words, unit: words, low: z.number().optional(), high: z.number().optional() })
    .optional(),
} satisfies ShapeOf<Step>)

const items = {
  connectors: z.array(connector).max(200),
  nets: z.array(net).max(600),
  wires: z.array(wire).max(2000),
  studs: z.array(stud).max(60),
  zones: z.array(zone).max(100),
  steps: z.array(step).max(400),
}
const variant = z.strictObject({
  id,
  name: words,
  tells: words,
  remove: z.array(z.strictObject({ list: z.enum(['connectors', 'nets', 'wires', 'studs', 'zones', 'steps']), id })),
  ...items,
} satisfies ShapeOf<Variant>)

export const machineSchema = z.strictObject({
  kind: z.literal('machine'),
  id,
  version: z.int().positive(),
  maker: words,
  model: words,
  class: words,
  years: words,
  source: words,
  engine: z.strictObject({
    cylinders: z.int().min(1).max(16),
    cooling: z.enum(['air', 'liquid']),
    idleRpm: positive,
    limiterRpm: positive,
    fuel: words,
    stoichAfr: z.number().min(5).max(20),
  }),
  ...items,
  target: z.strictObject({ rpm: axis, load: axis, afr: z.array(z.array(z.number().min(6).max(25))) }),
  filters: z.strictObject({
    coldBelowC: z.number().min(0).max(110),
    crankingBelowRpm: positive,
    overrunThrottlePct: z.number().min(0).max(10),
    throttleRatePctPerS: positive,
    afrRange: z.tuple([z.number(), z.number()]),
  } satisfies ShapeOf<FilterFigures>),
  cautions: z.array(words),
  variants: z.array(variant),
} satisfies ShapeOf<Machine>)

const wants = z.strictObject({ signal, role })
const pairHalf = z.strictObject({ shell, gender } satisfies ShapeOf<PairHalf>)
const pairLine = z.strictObject({
  cavity: z.int().positive(),
  does: z.enum(['pass', 'tap', 'interrupt']),
  wants,
  colour: wireColour,
  areaMm2,
} satisfies ShapeOf<PairLine>)
const endBase = {
  id,
  tag: words,
  name: words,
  breakOutM: z.number().min(0).max(10),
  branchM: z.number().min(0).max(10),
  needed: z.boolean(),
}
const kitEnd = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('inline-pair'),
    ...endBase,
    cavities,
    lines: z.array(pairLine).min(1),
    factoryHalf: pairHalf,
    deviceHalf: pairHalf,
  }),
  z.strictObject({
    type: z.literal('flying-lead'),
    ...endBase,
    colour: wireColour,
    areaMm2,
    wants,
    sheet: z.array(z.strictObject({ machine: id, colour: wireColour })),
  }),
  z.strictObject({
    type: z.literal('ring'),
    ...endBase,
    colour: wireColour,
    areaMm2,
    wants,
    holeMm: positive,
    sheet: z.array(z.strictObject({ machine: id, stud: id })),
  }),
  z.strictObject({ type: z.literal('port'), ...endBase, closedBy: z.enum(['terminator', 'cap']) }),
])

export const kitSchema = z.strictObject({
  kind: z.literal('kit'),
  id,
  version: z.int().positive(),
  maker: words,
  model: words,
  system: words,
  source: words,
  fits: z.array(id),
  module: z.strictObject({ name: words, supplyA: positive, idleMa: z.number().min(0) }),
  trunkM: positive,
  ends: z.array(kitEnd).min(1).max(60),
  taps: z.array(
    z.strictObject({
      method: z.enum(tapMethods),
      lowMm2: positive,
      highMm2: positive,
      barred: z.array(z.enum(['hot', 'wet', 'vibration'])),
      why: words,
    }),
  ),
  parts: z.array(
    z.strictObject({
      id,
      name: words,
      count: z.int().positive(),
      missing: z.enum(['stop', 'note']),
    } satisfies ShapeOf<KitPart>),
  ),
  settings: z.array(
    z.strictObject({
      id,
      name: words,
      unit: z.string().max(20),
      choices: z.array(words).optional(),
      low: z.number().optional(),
      high: z.number().optional(),
      shipped: words,
      why: words,
    } satisfies ShapeOf<KitSetting>),
  ),
  trim: z.strictObject({
    rpm: axis,
    load: axis,
    boundsPct: z.tuple([z.number(), z.number()]),
    actsOn: z.enum(['fuel', 'pulse width']),
    gain: z.number().positive().max(1),
    maxStepPct: positive,
    fullLoadPct: z.number().min(0).max(100),
  }),
  steps: items.steps,
  cautions: z.array(words),
  returnToStock: z.array(words),
} satisfies ShapeOf<Kit>)
