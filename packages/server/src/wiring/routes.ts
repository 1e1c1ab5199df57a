import { idFamilies, pinoutCsv } from '@tidy-badger/core/dossiers'
import { cleanText, idText } from '@tidy-badger/core/shared'
import { connectionSchema } from '@tidy-badger/core/wiring'
import { z } from 'zod'
import { referenceOf, type DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import { notFound, refusal } from '../platform/errors.ts'
import { fileAnswer, versionQuery, type HttpApp } from '../platform/http.ts'
import { meterAnswerSchema } from './meterAnswer.ts'
import { traceAnswerSchema } from './traceAnswer.ts'
import { plugSvg } from './plugSvg.ts'
import type { WiringService } from './service.ts'
import { wiringSvg } from './wiringSvg.ts'

const params = z.object({ id: idText })
const asked = z.record(z.string(), z.unknown())
export const checkRequestSchema = z.strictObject({
  machine: asked,
  kit: asked.optional(),
  /* several; instead of kit */
  kits: z.array(asked).min(1).max(8).optional(),
  connections: z.array(connectionSchema).max(500),
})
const text = z.string().trim().pipe(cleanText(600))
const named = idFamilies(cleanText(64))
const erratumSchema = z.strictObject({
  id: idText,
  kit: named.kit,
  machine: named.machine,
  kitEnd: named.kitEnd,
  says: text,
  is: text,
  by: z.string().trim().pipe(cleanText(80)),
})
const erratumAnswer = z.object({ ...erratumSchema.shape, at: z.string() })
const errataQuery = z.object({ kit: named.kit.optional(), machine: named.machine.optional() })
const faceQuery = z.object({
  version: versionQuery,
  variant: cleanText(100).optional(),
  connector: cleanText(100).optional(),
  side: z.enum(['wire', 'mating']).default('wire'),
})
const traceQuery = z.object({
  net: named.net.optional(),
  as: z.enum(['plan', 'built']).default('plan'),
})
const labelQuery = z.object({ form: z.enum(['sheet', 'strip']).default('sheet') })
const finding = z.looseObject({
  rule: z.string(),
  severity: z.enum(['stop', 'fix', 'note']),
  at: z.looseObject({}),
  /** Names and figures of the case, by what they are. */
  facts: z.looseObject({}),
  reason: z.string(),
  remedy: z.string(),
})
const trace = z.looseObject({})

export function wiringRoutes(app: HttpApp, wiring: WiringService, dossiers: DossierService, jobs: JobService): void {
  app.get(
    '/api/jobs/:id/wiring',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Connections, matches, findings and traces of a job',
        params,
        response: {
          200: z.object({
            connections: z.array(z.looseObject({ kitEnd: z.string() })),
            matches: z.array(z.looseObject({ kitEnd: z.string() })),
            findings: z.array(finding),
            traces: z.object({ planned: z.array(trace), asBuilt: z.array(trace) }),
          }),
        },
      },
    },
    (request) => wiring.ofJob(request.params.id),
  )

  app.get(
    '/api/jobs/:id/trace',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'A circuit of a job as a tree from its source, as planned or as built',
        params,
        querystring: traceQuery,
        response: { 200: traceAnswerSchema },
      },
    },
    (request) => wiring.trace(request.params.id, request.query.net, request.query.as),
  )

  app.get(
    '/api/jobs/:id/meter',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'What is measured on a job, what it should read, and what else would read the same',
        params,
        response: { 200: meterAnswerSchema },
      },
    },
    (request) => wiring.meter(request.params.id),
  )

  app.post(
    '/api/wiring/check',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Findings of connections, without a job',
        body: checkRequestSchema,
        response: { 200: z.object({ findings: z.array(finding) }) },
      },
    },
    (request) => {
      const { machine, kit, kits, connections } = request.body
      if (kit && kits)
        throw refusal('malformed', 'custom', 'Name one kit with kit, or several with kits, not both.', 'kits')
      const named = kits ?? (kit ? [kit] : [])
      if (named.length === 0)
        throw refusal('malformed', 'invalid-type', '"kit" is missing: name the kit that is joined.', 'kit')
      return wiring.check({ machine, kits: named, connections })
    },
  )

  app.get(
    '/api/errata',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'What kit sheets say wrongly',
        querystring: errataQuery,
        response: { 200: z.array(erratumAnswer) },
      },
    },
    (request) => wiring.errata(request.query.kit, request.query.machine),
  )

  app.post(
    '/api/errata',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Write down what a kit sheet says wrongly',
        body: erratumSchema,
        response: { 201: erratumAnswer },
      },
    },
    async (request, reply) => {
      const { sender, body } = request
      const by = sender?.role === 'fitter' ? (sender.person ?? body.by) : body.by
      return reply.code(201).send(await wiring.addErratum({ ...body, by }))
    },
  )

  app.get(
    '/api/machines/:id/pinout.csv',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Cavities of one plug or all, as CSV',
        params,
        querystring: faceQuery,
        ...fileAnswer('text/csv'),
      },
    },
    async (request, reply) => {
      const { id } = request.params
      const { version, variant, connector } = request.query
      const { document } = await dossiers.machine(referenceOf(id, version, variant))
      if (connector !== undefined && !document.connectors.some((plug) => plug.id === connector))
        throw notFound('plug', connector)
      const name = encodeURIComponent(`pinout-${id}${connector ? `-${connector}` : ''}`)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="${name}.csv"`)
        .send(pinoutCsv(document, connector))
    },
  )

  app.get(
    '/api/machines/:id/pinout.svg',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'A plug face with its wires, as SVG',
        params,
        querystring: faceQuery,
        ...fileAnswer('image/svg+xml'),
      },
    },
    async (request, reply) => {
      const { version, variant, connector, side } = request.query
      const { document } = await dossiers.machine(referenceOf(request.params.id, version, variant))
      const plug = document.connectors.find((item) => item.id === connector)
      if (!plug) throw notFound('plug', connector ?? '')
      return reply.type('image/svg+xml').send(plugSvg(document, plug, side === 'wire' ? 'wire side' : 'mating side'))
    },
  )

  app.get(
    '/api/jobs/:id/wiring.svg',
    {
      config: { access: 'fitter' },
      schema: { summary: 'The wiring of a job as one drawing', params, ...fileAnswer('image/svg+xml') },
    },
    async (request, reply) => {
      const { row, dossiers: pair, state } = await jobs.load(request.params.id)
      return reply.type('image/svg+xml').send(wiringSvg(pair, state, row.title))
    },
  )

  app.get(
    '/api/jobs/:id/labels.pdf',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Labels for branches, taps, grounds and spare leads',
        params,
        querystring: labelQuery,
        ...fileAnswer('application/pdf'),
      },
    },
    async (request, reply) => {
      const home = `${request.protocol}://${request.host}`
      return reply.type('application/pdf').send(await wiring.labels(request.params.id, request.query.form, home))
    },
  )
}
