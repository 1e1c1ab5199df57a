import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import {
  lampMoments,
  lampStates,
  pairStands,
  settingRoles,
  socketStyles,
  tapMethods,
  type Kit,
  type KitClaim,
  type KitFigure,
  type KitLamp,
  type KitLevel,
  type KitPart,
  type KitSetting,
  type KitTrim,
  type KitUnit,
  type NamingRule,
  type PairHalf,
  type PairLine,
  type Socket,
} from './kitModel.ts'
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
import { step } from './stepSchema.ts'

const wants = z.strictObject(sort)
const current = z.number().positive().max(200).optional()
const pairHalf = z.strictObject({ shell, gender } satisfies ShapeOf<PairHalf>)
const pairLine = z.strictObject({
  cavity: z.int().positive(),
  does: z.enum(['pass', 'tap', 'interrupt']),
  wants,
  colour: wireColour,
  areaMm2,
} satisfies ShapeOf<PairLine>)
const endBase = {
  id: ids.kitEnd,
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
    deviceHalf: pairHalf.optional(),
    interchangeable: id.optional(),
    stands: z.enum(pairStands).optional(),
  }),
  z.strictObject({
    type: z.literal('flying-lead'),
    ...endBase,
    colour: wireColour,
    areaMm2,
    wants,
    sheet: z.array(z.strictObject({ machine: ids.machine, colour: wireColour })),
    currentA: current,
    coldA: current,
    reference: z.boolean().optional(),
    cut: z.strictObject({ half: z.enum(['ecu', 'device']), partner: ids.kitEnd }).optional(),
    nearEcu: z.boolean().optional(),
    intoSpare: z.boolean().optional(),
  }),
  z.strictObject({
    type: z.literal('ring'),
    ...endBase,
    colour: wireColour,
    areaMm2,
    wants,
    holeMm: positive,
    sheet: z.array(z.strictObject({ machine: ids.machine, stud: ids.stud })),
    currentA: current,
    coldA: current,
    fuseA: current,
    reference: z.boolean().optional(),
  }),
  z.strictObject({
    type: z.literal('port'),
    ...endBase,
    closedBy: z.enum(['terminator', 'cap']),
    meets: z
      .array(z.strictObject({ kit: ids.kit, end: ids.kitEnd }))
      .max(20)
      .optional(),
  }),
  z.strictObject({ type: z.literal('vent'), ...endBase, why: words }),
  z.strictObject({
    type: z.literal('plug'),
    ...endBase,
    into: ids.kitPlace,
    far: z.enum(['dial', 'sensor', 'switch']).optional(),
    enters: z.array(ids.kitPlace).min(1),
    colour: wireColour.optional(),
    telling: words,
  }),
])

export const kitSchema = z.strictObject({
  kind: z.literal('kit'),
  id: ids.kit,
  version: z.int().positive(),
  draft: z.boolean().optional(),
  maker: words,
  model: words,
  system: words,
  source: words,
  fits: z.array(ids.machine),
  repeatable: z.boolean().optional(),
  module: z.strictObject({
    name: words,
    supplyA: positive,
    idleMa: z.number().min(0),
    sleeps: z.boolean().optional(),
    sizeMm: z.tuple([positive, positive, positive]).optional(),
    maxC: z.number().min(0).max(200).optional(),
    sealed: z.boolean().optional(),
    shakeproof: z.boolean().optional(),
    seen: z.boolean().optional(),
  }),
  trunkM: positive,
  ends: z.array(kitEnd).max(60),
  sockets: z
    .array(
      z.strictObject({
        id: ids.socket,
        name: words,
        style: z.enum(socketStyles),
        colour: wireColour.optional(),
        givesA: current,
      } satisfies ShapeOf<Socket>),
    )
    .max(60)
    .optional(),
  terminators: z.int().min(0).max(4).optional(),
  naming: z
    .array(
      z.strictObject({
        id,
        kind: z.enum(['colour', 'length', 'interchangeable', 'strict order']),
        ends: z.array(ids.kitEnd).min(1),
        says: words,
      } satisfies ShapeOf<NamingRule>),
    )
    .optional(),
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
      id: ids.part,
      name: words,
      count: z.int().positive(),
      missing: z.enum(['stop', 'note']),
      welded: z.boolean().optional(),
      instead: words.optional(),
    } satisfies ShapeOf<KitPart>),
  ),
  settings: z.array(
    z.strictObject({
      id: ids.setting,
      role: z.enum(settingRoles).optional(),
      follows: z
        .array(z.strictObject({ kit: ids.kit, setting: ids.setting }))
        .min(1)
        .max(20)
        .optional(),
      name: words,
      unit: z.string().max(20),
      choices: z.array(words).optional(),
      low: z.number().optional(),
      high: z.number().optional(),
      shipped: words,
      captured: z.boolean().optional(),
      why: words,
    } satisfies ShapeOf<KitSetting>),
  ),
  trim: z
    .strictObject({
      rpm: axis,
      load: axis,
      boundsPct: z.tuple([z.number(), z.number()]),
      actsOn: z.enum(['fuel', 'pulse width']),
      gain: z.number().positive().max(1),
      maxStepPct: positive,
      fullLoadPct: z.number().min(0).max(100),
    } satisfies ShapeOf<KitTrim>)
    .optional(),
  lamps: z
    .array(
      z.strictObject({
        id: ids.lamp,
        colour,
        state: z.enum(lampStates),
        rhythmMs: z.array(z.number().positive().max(60_000)).max(40),
        means: words,
        next: words,
        rightAt: z.array(z.enum(lampMoments)).min(1).max(2).optional(),
      } satisfies ShapeOf<KitLamp>),
    )
    .max(40)
    .optional(),
  units: z
    .array(
      z.strictObject({ part: words, machine: ids.machine, variant: ids.variant.optional() } satisfies ShapeOf<KitUnit>),
    )
    .max(60)
    .optional(),
  levels: z
    .array(
      z.strictObject({
        level: z.int().min(1).max(20),
        name: words,
        railMPa: z.number().min(0).max(100).optional(),
        boostKPa: z.number().min(0).max(200).optional(),
        fuelPct: z.number().min(0).max(100).optional(),
        gate: z.strictObject({
          coolantC: z.number().min(-40).max(150),
          rpm: z.number().min(0).max(20_000),
          load: z.number().min(0).max(1),
        } satisfies ShapeOf<KitLevel['gate']>),
      } satisfies ShapeOf<KitLevel>),
    )
    .max(20)
    .optional(),
  claims: z
    .array(
      z.strictObject({
        machine: ids.machine.optional(),
        powerKw: z.number().positive().max(1000).optional(),
        torqueNm: z.number().positive().max(10_000).optional(),
        at: z.enum(['wheel', 'engine']),
        kind: z.enum(['peak', 'largest-gain']),
      } satisfies ShapeOf<KitClaim>),
    )
    .max(40)
    .optional(),
  figures: z
    .array(
      z.strictObject({
        column: z.string().trim().min(1).max(80),
        unit: z.string().max(20),
        answers: z.array(words).max(40),
        factor: z.number().optional(),
        offset: z.number().optional(),
      } satisfies ShapeOf<KitFigure>),
    )
    .max(200)
    .optional(),
  steps: z.array(step).max(400),
  cautions: z.array(words),
  known,
  places: z
    .array(z.strictObject({ machine: ids.machine, place: ids.place }))
    .max(40)
    .optional(),
  returnToStock: z.array(words),
} satisfies ShapeOf<Kit>)
