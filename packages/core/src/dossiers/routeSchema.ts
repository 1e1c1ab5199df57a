import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { minutes, reachTarget } from './accessSchema.ts'
import { ids, positive, words } from './partSchemas.ts'
import type { Bulkhead, Passage, PointAt, PowerFigures, Spot, Steering } from './routeModel.ts'

const metres = z.number().min(-20).max(20)
const at = z.strictObject({ x: metres, y: metres, z: metres } satisfies ShapeOf<PointAt>)

export const spot = z.strictObject({
  id: ids.spot,
  name: words,
  at,
  serves: z.array(reachTarget).max(60),
} satisfies ShapeOf<Spot>)

const hazard = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('hot'),
    surfaceC: z.number().min(40).max(1100),
    clearMm: z.number().min(0).max(1000),
    what: words,
  }),
  z.strictObject({ kind: z.literal('moving'), swingMm: positive.max(2000), what: words }),
  z.strictObject({ kind: z.literal('pinch'), what: words }),
  z.strictObject({ kind: z.literal('sharp'), what: words }),
  z.strictObject({ kind: z.literal('wet') }),
  z.strictObject({ kind: z.literal('vibration') }),
  z.strictObject({ kind: z.literal('barred'), what: words }),
])

export const passage = z.strictObject({
  id: ids.passage,
  name: words,
  from: ids.point,
  to: ids.point,
  lengthM: z
    .number()
    .max(20)
    .refine((value) => value > 0, 'a passage is longer than nothing: measure along the way, or leave the length out')
    .optional(),
  hazards: z.array(hazard).max(12),
  freeMm2: positive.max(100_000).optional(),
  bulkhead: z
    .strictObject({
      kind: z.enum(['factory grommet', 'spare grommet', 'new hole']),
      minutes,
    } satisfies ShapeOf<Bulkhead>)
    .optional(),
  steering: z.enum(['left', 'right', 'front']).optional(),
  under: z.array(ids.cover).max(20).optional(),
  via: z.array(at).max(20).optional(),
} satisfies ShapeOf<Passage>)

export const steering = z.strictObject({
  radiusM: positive.max(2),
  lockDeg: positive.max(90),
} satisfies ShapeOf<Steering>)

export const power = z.strictObject({
  batteryAh: positive.max(2000),
  idleMa: z.number().min(0).max(10_000),
  sleepMinutes: z.number().min(0).max(600),
  primePeakA: z.number().min(0).max(500),
  chemistry: z.enum(['lead', 'lithium']).optional(),
  chargingV: z.tuple([z.number().positive(), z.number().positive()]).optional(),
} satisfies ShapeOf<PowerFigures>)
