import { pulseSetting, roadSpeed, supplyGuard, throttleSweep, tyreError } from '@tidy-badger/core/setup'
import { z } from 'zod'
import { orRefuse } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'

const figure = z.number()
const roadSpeedSchema = z.strictObject({ rpm: figure, gearRatio: figure, axleRatio: figure, tyreHeightM: figure })
const tyreSchema = z.strictObject({
  standardHeightM: figure,
  fittedHeightM: figure,
  standardAxle: figure.optional(),
  fittedAxle: figure.optional(),
})
const pulsesSchema = z.strictObject({ displayedRpm: figure, trueRpm: figure, currentSetting: figure })
const throttleSchema = z.strictObject({
  kind: z.enum(['cable', 'by-wire']),
  relation: z.enum(['ratio', 'sum']).optional(),
  spanV: figure.optional(),
  samples: z.array(z.strictObject({ t: figure, v1: figure, v2: figure.optional() })).max(20_000),
})
const supplySchema = z.strictObject({
  batteryV: figure,
  chemistry: z.enum(['lead', 'lithium']).optional(),
  atRest: z.boolean().optional(),
  batteryAh: figure,
  chargerA: figure,
  loadA: figure,
  minutes: figure,
  programming: z.boolean().optional(),
})

const config = { access: 'fitter' } as const

/** The arithmetic of setting up, asked for one at a time. */
export async function setupPlugin(app: HttpApp): Promise<void> {
  app.post(
    '/api/setup/road-speed',
    {
      config,
      schema: {
        summary: 'Road speed from engine speed, gearing and tyre',
        body: roadSpeedSchema,
        response: { 200: z.object({ speedKmh: figure }) },
      },
    },
    (request) => orRefuse(roadSpeed(request.body)),
  )
  app.post(
    '/api/setup/tyre',
    {
      config,
      schema: {
        summary: 'What another tyre or axle does to the speed that is shown',
        body: tyreSchema,
        response: { 200: z.object({ indicatedToTrue: figure, errorPct: figure }) },
      },
    },
    (request) => orRefuse(tyreError(request.body)),
  )
  app.post(
    '/api/setup/pulses',
    {
      config,
      schema: {
        summary: 'What the cylinder or pulse setting should be, from what is shown',
        body: pulsesSchema,
        response: {
          200: z.object({ ratio: figure, suggestion: z.int().nullable(), cause: z.string().nullable() }),
        },
      },
    },
    (request) => orRefuse(pulseSetting(request.body)),
  )
  app.post(
    '/api/setup/throttle',
    {
      config,
      bodyLimit: 4 * 1024 * 1024,
      schema: {
        summary: 'A throttle captured as a sweep, judged',
        body: throttleSchema,
        response: {
          200: z.object({
            ...{ shutV: figure, openV: figure, spanV: figure, noiseV: figure, monotone: z.boolean() },
            trackSpreadPct: figure.nullable(),
            verdict: z.enum(['pass', 'fail']),
            reasons: z.array(z.string()),
          }),
        },
      },
    },
    (request) => orRefuse(throttleSweep(request.body)),
  )
  app.post(
    '/api/setup/supply-guard',
    {
      config,
      schema: {
        summary: 'Whether the supply lasts for an update or for programming',
        body: supplySchema,
        response: { 200: z.object({ verdict: z.enum(['go', 'wait', 'stop']), reason: z.string() }) },
      },
    },
    (request) => orRefuse(supplyGuard(request.body)),
  )
}
