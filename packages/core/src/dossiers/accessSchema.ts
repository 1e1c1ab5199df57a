import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import {
  bodyForms,
  driveKinds,
  fastenerKinds,
  placeUses,
  wayFroms,
  type AccessWay,
  type Body,
  type DrawnPartChange,
  type Box,
  type Cover,
  type Fastener,
  type Minutes,
  type MountPlace,
  type Wait,
} from './accessModel.ts'
import { ids, positive, words } from './partSchemas.ts'
import { placeFigures } from './placeFigures.ts'

const minute = z.number().min(0).max(6000)
export const minutes = z
  .strictObject({ best: minute, likely: minute, worst: minute } satisfies ShapeOf<Minutes>)
  .refine(
    ({ best, likely, worst }) => best <= likely && likely <= worst,
    'the likely minutes must lie between the best and the worst',
  )
const metres = z.number().min(-20).max(20)
const box = z.strictObject({
  x: metres,
  y: metres,
  z: metres,
  length: positive,
  width: positive,
  height: positive,
} satisfies ShapeOf<Box>)

const fastenerShape = z.strictObject({
  count: z.int().min(1).max(200),
  kind: z.enum(fastenerKinds),
  threadMm: positive.optional(),
  lengthMm: positive.optional(),
  drive: z.strictObject({ kind: z.enum(driveKinds), size: positive.optional() }).optional(),
  torqueNm: positive.max(2000).optional(),
  threadlock: z.boolean().optional(),
  note: words.optional(),
} satisfies ShapeOf<Fastener>)
const fastener = z
  .unknown()
  .refine((value) => !(typeof value === 'object' && value !== null && 'torque' in value), {
    error: 'a torque without a unit: write torqueNm, in N·m',
    abort: true,
  })
  .pipe(fastenerShape)

export const cover = z.strictObject({
  id: ids.cover,
  name: words,
  box: box.optional(),
  parts: z.array(ids.drawnPart).max(40).optional(),
  after: z.array(ids.cover).max(80),
  off: minutes,
  on: minutes,
  fasteners: z.array(fastener).max(40),
  tools: z.array(words).max(20).optional(),
  saves: z.array(words).max(40),
  helper: z.boolean().optional(),
  run: z.boolean().optional(),
  hot: z.boolean().optional(),
  opensFuel: z.boolean().optional(),
  stuffed: words.optional(),
  how: words.optional(),
  caution: words.optional(),
} satisfies ShapeOf<Cover>)

export const place = z.strictObject({
  id: ids.place,
  name: words,
  zone: ids.zone,
  place: words,
  use: z.enum(placeUses).optional(),
  ...placeFigures,
} satisfies ShapeOf<MountPlace>)

const thing = [
  z.strictObject({ connector: ids.connector }),
  z.strictObject({ stud: ids.stud }),
  z.strictObject({ place: ids.place }),
] as const
/** What a hand gets at. */
export const reachTarget = z.union(thing)

export const way = z.strictObject({
  id: ids.way,
  to: z.union([z.strictObject({ zone: ids.zone }), ...thing]),
  from: z.enum(wayFroms),
  needs: z.array(ids.cover).max(80),
  minutes,
  helper: z.boolean().optional(),
  note: words.optional(),
  caution: words.optional(),
} satisfies ShapeOf<AccessWay>)

export const body = z.strictObject({
  form: z.enum(bodyForms),
  lengthM: positive.max(20),
  widthM: positive.max(8),
  heightM: positive.max(8),
  wheelbaseM: positive.max(12),
  wheelM: positive.max(3),
  parts: z
    .array(
      z.strictObject({
        id: ids.drawnPart,
        dx: z.number().min(-20).max(20).optional(),
        dy: z.number().min(-8).max(8).optional(),
        dz: z.number().min(-8).max(8).optional(),
        size: z.number().min(0.2).max(5).optional(),
        gone: z.boolean().optional(),
      } satisfies ShapeOf<DrawnPartChange>),
    )
    .max(120)
    .optional(),
} satisfies ShapeOf<Body>)

export const wait = z.strictObject({
  minutes: z.number().positive().max(6000),
  why: words,
  cools: z.boolean().optional(),
} satisfies ShapeOf<Wait>)
