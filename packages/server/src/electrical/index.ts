import { chooseFuse, idleDrain, wireRun } from '@tidy-badger/core/electrical'
import { z } from 'zod'
import { orRefuse } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'

const wireRunSchema = z.strictObject({
  lengthM: z.number(),
  awg: z.number().optional(),
  areaMm2: z.number().optional(),
  currentA: z.number(),
  conductorC: z.number().optional(),
  supplyV: z.number().optional(),
  returnPath: z.enum(['wire', 'chassis']).optional(),
})
const idleDrainSchema = z.strictObject({
  capacityAh: z.number(),
  usablePct: z.number(),
  moduleMa: z.number(),
  machineMa: z.number().optional(),
})
const fuseSchema = z.strictObject({
  continuousA: z.number(),
  areaMm2: z.number(),
  ambientC: z.number().optional(),
  bundled: z.boolean().optional(),
})

const figures = z.record(z.string(), z.unknown())
const config = { access: 'fitter' } as const

/** What wires, fuses and batteries do, asked for one at a time. */
export async function electricalPlugin(app: HttpApp): Promise<void> {
  app.post(
    '/api/electrical/wire-run',
    {
      config,
      schema: { summary: 'Resistance and drop of a run of copper', body: wireRunSchema, response: { 200: figures } },
    },
    (request) => orRefuse(wireRun(request.body)),
  )
  app.post(
    '/api/electrical/idle-drain',
    {
      config,
      schema: {
        summary: 'Days until a standing battery is used up',
        body: idleDrainSchema,
        response: { 200: figures },
      },
    },
    (request) => orRefuse(idleDrain(request.body)),
  )
  app.post(
    '/api/electrical/fuse',
    {
      config,
      schema: {
        summary: 'The blade fuse for a load and its thinnest wire',
        body: fuseSchema,
        response: { 200: figures },
      },
    },
    (request) => orRefuse(chooseFuse(request.body)),
  )
}
