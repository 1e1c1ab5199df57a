import { chooseFuse, idleDrain, wireRun } from '@tidy-badger/core/electrical'
import type { Outcome } from '@tidy-badger/core/shared'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import { Refusal } from '../platform/errors.ts'

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

function orRefuse<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new Refusal('unprocessable', ...outcome.problems)
}

/** What wires, fuses and batteries do, asked for one at a time. */
export async function electricalPlugin(app: FastifyInstance): Promise<void> {
  app.post(
    '/api/electrical/wire-run',
    { schema: { summary: 'Resistance and drop of a run of copper', body: wireRunSchema } },
    (request) => orRefuse(wireRun(wireRunSchema.parse(request.body))),
  )
  app.post(
    '/api/electrical/idle-drain',
    { schema: { summary: 'Days until a standing battery is used up', body: idleDrainSchema } },
    (request) => orRefuse(idleDrain(idleDrainSchema.parse(request.body))),
  )
  app.post(
    '/api/electrical/fuse',
    { schema: { summary: 'The blade fuse for a load and its thinnest wire', body: fuseSchema } },
    (request) => orRefuse(chooseFuse(fuseSchema.parse(request.body))),
  )
}
