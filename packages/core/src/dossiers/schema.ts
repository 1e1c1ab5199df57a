import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { body, cover, place, way } from './accessSchema.ts'
import { passage, power, spot, steering } from './routeSchema.ts'
import {
  deviceRoles,
  lockKinds,
  studRoles,
  variantLists,
  type Connector,
  type EngineOutput,
  type FilterFigures,
  type Lock,
  type Machine,
  type Net,
  type Stud,
  type Variant,
  type Wire,
  type Zone,
} from './model.ts'
import {
  areaMm2,
  axis,
  cavities,
  colour,
  gender,
  id,
  ids,
  positive,
  shell,
  sort,
  wireColour,
  words,
} from './partSchemas.ts'
import { known } from './knownSchema.ts'
import { photos } from './photoSchema.ts'
import { step } from './stepSchema.ts'
import { meterStates, type MeterReading } from './signals.ts'

const lock = z.strictObject({
  kind: z.enum(lockKinds),
  colour: colour.optional(),
  opens: words,
} satisfies ShapeOf<Lock>)
const connector = z.strictObject({
  id: ids.connector,
  name: words,
  device: words,
  zone: ids.zone,
  place: words,
  shell,
  gender,
  cavities,
  lock,
  up: words.optional(),
  ecu: z.boolean().optional(),
  role: z.enum(deviceRoles).optional(),
  endsBus: z.boolean().optional(),
  contacts: z
    .array(z.tuple([z.int().positive(), z.int().positive()]))
    .max(40)
    .optional(),
  mates: ids.connector.optional(),
} satisfies ShapeOf<Connector>)
const meterReading = z
  .strictObject({
    state: z.enum(meterStates),
    unit: z.enum(['V', 'V AC', 'ohm', 'Hz']),
    low: z.number(),
    high: z.number(),
  } satisfies ShapeOf<MeterReading>)
  .refine((reading) => reading.low <= reading.high, 'the low end of a reading must not be above its high end')
const net = z.strictObject({
  id: ids.net,
  name: words,
  ...sort,
  spareA: z.number().min(0).optional(),
  fuseA: z.number().positive().max(500).optional(),
  electronic: z.boolean().optional(),
  highVoltage: z.boolean().optional(),
  readings: z.array(meterReading).max(12).optional(),
  source: z
    .union([
      z.strictObject({ connector: ids.connector, cavity: z.int().positive() }),
      z.strictObject({ stud: ids.stud }),
    ])
    .optional(),
} satisfies ShapeOf<Net>)
const wirePlace = z.union([
  z.strictObject({ connector: ids.connector, cavity: z.int().positive() }),
  z.strictObject({ stud: ids.stud }),
  z.strictObject({ splice: ids.splice }),
])
const wire = z.strictObject({
  id: ids.wire,
  net: ids.net,
  from: wirePlace,
  to: wirePlace,
  colour: wireColour,
  areaMm2,
} satisfies ShapeOf<Wire>)
const stud = z.strictObject({
  id: ids.stud,
  name: words,
  net: ids.net,
  zone: ids.zone,
  place: words,
  threadMm: positive,
  role: z.enum(studRoles).optional(),
} satisfies ShapeOf<Stud>)
const zone = z.strictObject({
  id: ids.zone,
  name: words,
  conditions: z.array(z.enum(['hot', 'wet', 'vibration', 'dry'])),
  at: z.strictObject({ x: z.number(), y: z.number(), z: z.number() }).optional(),
  airC: z.number().min(-60).max(200).optional(),
} satisfies ShapeOf<Zone>)
export const items = {
  connectors: z.array(connector).max(200),
  nets: z.array(net).max(600),
  wires: z.array(wire).max(2000),
  studs: z.array(stud).max(60),
  zones: z.array(zone).max(100),
  steps: z.array(step).max(400),
  covers: z.array(cover).max(200).optional(),
  places: z.array(place).max(60).optional(),
  ways: z.array(way).max(600).optional(),
  spots: z.array(spot).max(200).optional(),
  passages: z.array(passage).max(600).optional(),
}
const variant = z.strictObject({
  id: ids.variant,
  name: words,
  tells: words,
  remove: z.array(z.strictObject({ list: z.enum(variantLists), id })),
  ...items,
} satisfies ShapeOf<Variant>)

export const machineSchema = z.strictObject({
  kind: z.literal('machine'),
  id: ids.machine,
  version: z.int().positive(),
  draft: z.boolean().optional(),
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
    stoichAfr: z.number().min(5).max(20).optional(),
    strokes: z.union([z.literal(2), z.literal(4)]).optional(),
    output: z
      .strictObject({
        powerKw: positive,
        atRpm: positive.optional(),
        litres: positive.optional(),
        railMPa: z.strictObject({ idle: positive, full: positive, relief: positive }).optional(),
        boostKPa: z.number().min(0).max(600).optional(),
        boostCodeKPa: positive.optional(),
        pressureRatio: z.number().min(1).max(6).optional(),
        gearboxNm: positive.optional(),
      } satisfies ShapeOf<EngineOutput>)
      .optional(),
  }),
  ...items,
  body: body.optional(),
  steering: steering.optional(),
  power: power.optional(),
  batteries: z.array(ids.stud).max(4).optional(),
  target: z.strictObject({ rpm: axis, load: axis, afr: z.array(z.array(z.number().min(6).max(25))) }).optional(),
  filters: z.strictObject({
    coldBelowC: z.number().min(0).max(110),
    crankingBelowRpm: positive,
    overrunThrottlePct: z.number().min(0).max(10),
    throttleRatePctPerS: positive,
    afrRange: z.tuple([z.number(), z.number()]),
  } satisfies ShapeOf<FilterFigures>),
  cautions: z.array(words),
  known,
  photos,
  variants: z.array(variant),
  asVariant: ids.variant.optional(),
} satisfies ShapeOf<Machine>)
