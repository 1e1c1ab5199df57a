import {
  comparePulls,
  corrections,
  findPulls,
  readCoastCsv,
  readPullCsv,
  workOutCoastDown,
  workOutPull,
  type Pull,
} from '@tidy-badger/core/proving'
import { z } from 'zod'
import { orRefuse } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'
import { comparisonSchema } from './schemas.ts'

export { proofSchema } from './schemas.ts'

const figure = z.number()
const rowSchema = z.strictObject({
  ...{ t: figure, rpm: figure },
  speedKmh: figure.optional(),
  powerKw: figure.optional(),
  torqueNm: figure.optional(),
  throttlePct: figure.optional(),
})
const roadSchema = z.strictObject({
  massKg: figure.min(20).max(60_000),
  dragAreaM2: figure.min(0).max(15),
  rolling: figure.min(0).max(0.2),
  slope: figure.min(-0.4).max(0.4).optional(),
  gearRatio: figure.min(0.05).max(200).optional(),
  axleRatio: figure.min(0.05).max(200).optional(),
  tyreHeightM: figure.min(0.1).max(3).optional(),
  rotatingMassFactor: figure.min(1).max(2).optional(),
})
const askedSchema = z.strictObject({
  csv: z.string().max(4_000_000).optional(),
  rows: z.array(rowSchema).max(40_000).optional(),
  road: roadSchema.optional(),
  aspiration: z.enum(['natural', 'boosted']).optional(),
  fuel: z.enum(['petrol', 'diesel']).optional(),
  air: z.strictObject({ pressureKPa: figure, tempC: figure, humidityPct: figure }).optional(),
  correction: z.enum(corrections).optional(),
})
type Asked = z.infer<typeof askedSchema>
const pullSchema = z.object({
  points: z
    .array(
      z.object({
        ...{ rpm: figure, speedKmh: figure.nullable(), powerKw: figure, torqueNm: figure },
        sePowerKw: figure.nullable(),
      }),
    )
    .min(1)
    .max(40_000),
  peakPower: z.object({ kw: figure, rpm: figure, speedKmh: figure.nullable() }),
  peakTorque: z.object({ nm: figure, rpm: figure }),
  factor: figure,
  warnings: z.array(z.string()),
})
const pulls = z.array(z.union([pullSchema, askedSchema])).max(20)
const compareSchema = z.strictObject({
  before: pulls,
  after: pulls,
  claim: z
    .strictObject({
      powerKw: figure.optional(),
      torqueNm: figure.optional(),
      at: z.enum(['wheel', 'engine']).optional(),
      kind: z.enum(['peak', 'largest-gain']).optional(),
      lossPct: figure.min(0).max(60).optional(),
    })
    .optional(),
})

const coastSchema = z.strictObject({
  runs: z
    .array(
      z.strictObject({
        csv: z.string().max(4_000_000).optional(),
        rows: z
          .array(z.strictObject({ t: figure, speedKmh: figure, rpm: figure.optional() }))
          .max(40_000)
          .optional(),
        slope: figure.min(-0.4).max(0.4).optional(),
      }),
    )
    .max(20),
  massKg: figure.min(20).max(60_000),
  rotatingMassFactor: figure.min(1).max(2).optional(),
  air: z.strictObject({ pressureKPa: figure, tempC: figure, humidityPct: figure }).optional(),
})

const config = { access: 'fitter' } as const

/** A pull asked for, or one that was worked out already. */
function pullOf(asked: Asked | Pull): Pull {
  if ('points' in asked) return asked
  const { csv, rows = csv === undefined ? [] : orRefuse(readPullCsv(csv)), ...rest } = asked
  return orRefuse(workOutPull({ rows, ...rest }))
}

/** Pulls, and what they prove. */
export async function provingPlugin(app: HttpApp): Promise<void> {
  app.post(
    '/api/proving/pull',
    {
      config,
      schema: {
        summary: 'Power and torque of one pull, with its error',
        body: askedSchema,
        response: { 200: pullSchema },
      },
    },
    async ({ body }) => pullOf(body),
  )
  app.post(
    '/api/proving/compare',
    {
      config,
      schema: {
        summary: 'What pulls after show against pulls before, and a claim against them',
        body: compareSchema,
        response: {
          200: comparisonSchema,
        },
      },
    },
    async ({ body: { before, after, claim } }) => orRefuse(comparePulls(before.map(pullOf), after.map(pullOf), claim)),
  )

  app.post(
    '/api/proving/coast-down',
    {
      config,
      schema: {
        summary: 'Drag area and rolling from coasting down, with their standard errors',
        body: coastSchema,
        response: {
          200: z.object({
            ...{ dragAreaM2: figure, dragSeM2: figure, rolling: figure, rollingSe: figure },
            warnings: z.array(z.string()),
          }),
        },
      },
    },
    async ({ body: { runs, ...asked } }) =>
      orRefuse(
        workOutCoastDown({
          ...asked,
          runs: runs.map(({ csv, rows = csv === undefined ? [] : orRefuse(readCoastCsv(csv)), ...rest }) => ({
            ...rest,
            rows,
          })),
        }),
      ),
  )
  app.post(
    '/api/proving/find-pulls',
    {
      config,
      schema: {
        summary: 'The pulls within the log of a ride: throttle full, one gear, speed rising',
        body: z.strictObject({
          csv: z.string().max(4_000_000).optional(),
          rows: z.array(rowSchema).max(40_000).optional(),
        }),
        response: {
          200: z.object({ pulls: z.array(z.object({ fromS: figure, toS: figure, rows: z.array(rowSchema) })) }),
        },
      },
    },
    async ({ body: { csv, rows = csv === undefined ? [] : orRefuse(readPullCsv(csv)) } }) => ({
      pulls: orRefuse(findPulls(rows)),
    }),
  )
}
