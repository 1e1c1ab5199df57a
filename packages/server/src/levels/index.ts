import { airflowNet, judgeLadder, levelMap } from '@tidy-badger/core/levels'
import { z } from 'zod'
import type { DossierService } from '../dossiers/index.ts'
import { orRefuse } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'

const figure = z.number()
const document = z.record(z.string(), z.unknown())
const mapSchema = z.strictObject({
  machine: document,
  kit: document,
  level: z.int().min(0).max(20),
  altitudeM: figure.min(-400).max(6000),
  ambientC: figure.min(-50).max(60),
  rpm: z.array(figure.min(1).max(25_000)).min(1).max(80),
  load: z.array(figure.min(0).max(1)).min(1).max(50),
})
const limitSchema = z.strictObject({
  quantity: z.string().min(1).max(80),
  max: figure.optional(),
  min: figure.optional(),
  forSeconds: figure.min(0).optional(),
  at: z.string().max(80).optional(),
})
const ladderSchema = z.strictObject({
  levels: z.int().min(0).max(20),
  limits: z.array(limitSchema).max(60),
  runs: z
    .array(
      z.strictObject({
        level: z.int().min(0).max(20),
        readings: z.record(
          z.string(),
          z.union([
            figure,
            z.strictObject({ value: figure, seconds: figure.min(0).optional(), at: z.string().max(80).optional() }),
          ]),
        ),
      }),
    )
    .max(400),
})
const cellSchema = z.object({
  ...{ railMPa: figure, boostKPa: figure, fuelPct: figure, torqueNm: figure, powerKw: figure },
  ...{ egtC: figure, egtSeC: figure },
  limits: z.array(z.object({ what: z.string(), unit: z.string(), margin: figure })),
})

const config = { access: 'fitter' } as const

/** What levels do, and which one runs have earned. */
export function levelsPlugin(dossiers: DossierService) {
  return async (app: HttpApp): Promise<void> => {
    app.post(
      '/api/levels/map',
      {
        config,
        schema: {
          summary: 'What a level does over speed and load at a height; it plans and teaches, readings decide',
          body: mapSchema,
          response: {
            200: z.object({ cells: z.array(z.array(cellSchema)).describe('By speed as asked, then by load') }),
          },
        },
      },
      async ({ body: { machine, kit, ...asked } }) => {
        const [{ document: on }, { document: of }] = [await dossiers.machine(machine), await dossiers.kit(kit)]
        return { cells: orRefuse(levelMap(on, of, asked)) }
      },
    )
    app.post(
      '/api/levels/airflow',
      {
        config,
        schema: {
          summary: 'The net of a changed airflow signal: load, fuel, what closed loop takes back, ignition',
          body: z.strictObject({
            changePct: figure.min(-60).max(60),
            throttle: figure.min(0).max(1),
            closedUpTo: figure.min(0).max(1).optional(),
            reachPct: figure.min(0).max(100).optional(),
            ignitionPerPct: figure.min(0).max(2).optional(),
          }),
          response: {
            200: z.object({
              ...{ loadPct: figure, fuelPct: figure, netFuelPct: figure, takenBackPct: figure, ignitionDeg: figure },
              closedLoop: z.boolean(),
            }),
          },
        },
      },
      async ({ body }) => airflowNet(body),
    )
    app.post(
      '/api/levels/ladder',
      {
        config,
        schema: {
          summary: 'The highest level that loaded runs from stock up allow, and what missed',
          body: ladderSchema,
          response: {
            200: z.object({
              highestAllowed: z.int().nullable(),
              next: z.int().nullable(),
              because: z.array(
                z.object({
                  level: z.int(),
                  quantity: z.string(),
                  value: figure.nullable(),
                  limit: limitSchema,
                  says: z.string(),
                }),
              ),
            }),
          },
        },
      },
      async ({ body: { levels, limits, runs } }) => judgeLadder(levels, limits, runs),
    )
  }
}
