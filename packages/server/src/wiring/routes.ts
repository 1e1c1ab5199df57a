import { pinoutCsv } from '@tidy-badger/core/dossiers'
import { wireLabels } from '@tidy-badger/core/handover'
import { connectionSchema } from '@tidy-badger/core/wiring'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import { notFound } from '../platform/errors.ts'
import { labelsPdf } from './labelsPdf.ts'
import { plugSvg } from './plugSvg.ts'
import type { WiringService } from './service.ts'
import { wiringSvg } from './wiringSvg.ts'

const params = z.object({ id: z.string().min(1) })
const asked = z.record(z.string(), z.unknown())
export const checkRequestSchema = z.strictObject({
  machine: asked,
  kit: asked,
  connections: z.array(connectionSchema).max(500),
})
const text = z.string().trim().min(1).max(600)
const erratumSchema = z.strictObject({
  id: z.string().min(1).max(100),
  kit: z.string().min(1).max(64),
  machine: z.string().min(1).max(64),
  kitEnd: z.string().min(1).max(64),
  says: text,
  is: text,
  by: z.string().trim().min(1).max(80),
})
const errataQuery = z.object({ kit: z.string().optional(), machine: z.string().optional() })
const faceQuery = z.object({
  version: z.coerce.number().int().positive().optional(),
  variant: z.string().optional(),
  connector: z.string().optional(),
  side: z.enum(['wire', 'mating']).default('wire'),
})
const labelQuery = z.object({ form: z.enum(['sheet', 'strip']).default('sheet') })

export function wiringRoutes(
  app: FastifyInstance,
  wiring: WiringService,
  dossiers: DossierService,
  jobs: JobService,
): void {
  app.get(
    '/api/jobs/:id/wiring',
    { schema: { summary: 'Connections, matches, findings and traces of a job', params } },
    (request) => wiring.ofJob(params.parse(request.params).id),
  )

  app.post(
    '/api/wiring/check',
    { schema: { summary: 'Findings of connections, without a job', body: checkRequestSchema } },
    (request) => wiring.check(checkRequestSchema.parse(request.body)),
  )

  app.get(
    '/api/errata',
    { schema: { summary: 'What kit sheets say wrongly', querystring: errataQuery } },
    (request) => {
      const { kit, machine } = errataQuery.parse(request.query)
      return wiring.errata(kit, machine)
    },
  )

  app.post(
    '/api/errata',
    { schema: { summary: 'Write down what a kit sheet says wrongly', body: erratumSchema } },
    async (request, reply) => reply.code(201).send(await wiring.addErratum(erratumSchema.parse(request.body))),
  )

  app.get(
    '/api/machines/:id/pinout.csv',
    { schema: { summary: 'Cavities of one plug or all, as CSV', params, querystring: faceQuery } },
    async (request, reply) => {
      const { id } = params.parse(request.params)
      const { version, variant, connector } = faceQuery.parse(request.query)
      const { document } = await dossiers.machine(reference(id, version, variant))
      if (connector !== undefined && !document.connectors.some((plug) => plug.id === connector))
        throw notFound('plug', connector)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="pinout-${id}${connector ? `-${connector}` : ''}.csv"`)
        .send(pinoutCsv(document, connector))
    },
  )

  app.get(
    '/api/machines/:id/pinout.svg',
    { schema: { summary: 'A plug face with its wires, as SVG', params, querystring: faceQuery } },
    async (request, reply) => {
      const { id } = params.parse(request.params)
      const { version, variant, connector, side } = faceQuery.parse(request.query)
      const { document } = await dossiers.machine(reference(id, version, variant))
      const plug = document.connectors.find((item) => item.id === connector)
      if (!plug) throw notFound('plug', connector ?? '')
      return reply.type('image/svg+xml').send(plugSvg(document, plug, side === 'wire' ? 'wire side' : 'mating side'))
    },
  )

  app.get(
    '/api/jobs/:id/wiring.svg',
    { schema: { summary: 'The wiring of a job as one drawing', params } },
    async (request, reply) => {
      const { row, dossiers: pair, state } = await jobs.load(params.parse(request.params).id)
      return reply.type('image/svg+xml').send(wiringSvg(pair, state, row.title))
    },
  )

  app.get(
    '/api/jobs/:id/labels.pdf',
    { schema: { summary: 'Labels for branches, taps, grounds and spare leads', params, querystring: labelQuery } },
    async (request, reply) => {
      const { row, dossiers: pair, state } = await jobs.load(params.parse(request.params).id)
      const { form } = labelQuery.parse(request.query)
      const home = `${request.protocol}://${request.host}`
      return reply.type('application/pdf').send(await labelsPdf(wireLabels(pair, row, state), form, home, row.title))
    },
  )
}

function reference(id: string, version: number | undefined, variant: string | undefined) {
  return { id, ...(version === undefined ? {} : { version }), ...(variant === undefined ? {} : { variant }) }
}
