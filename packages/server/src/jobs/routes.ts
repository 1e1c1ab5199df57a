import { appendSchema, readJobFile } from '@tidy-badger/core/jobs'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import { Refusal } from '../platform/errors.ts'
import type { Live } from './live.ts'
import type { JobService } from './service.ts'

const params = z.object({ id: z.string().min(1) })
const asked = z.record(z.string(), z.unknown())
const openSchema = z.strictObject({ machine: asked, kit: asked, title: z.string().trim().min(1).max(200).optional() })
const afterSchema = z.object({ after: z.coerce.number().int().min(0).default(0) })

export const journalLimitBytes = 1024 * 1024
export const importLimitBytes = 32 * 1024 * 1024

export function jobRoutes(app: FastifyInstance, jobs: JobService, live: Live): void {
  app.get('/api/jobs', { schema: { summary: 'All jobs, oldest first' } }, () => jobs.list())

  app.post(
    '/api/jobs',
    { schema: { summary: 'Open a job on a machine with a kit', body: openSchema } },
    async (request, reply) => {
      const job = await jobs.open(openSchema.parse(request.body))
      return reply.code(201).send(jobs.summary(job))
    },
  )

  app.get('/api/jobs/:id', { schema: { summary: 'One job with its dossiers', params } }, async (request) => {
    const job = await jobs.load(params.parse(request.params).id)
    return { ...jobs.summary(job), dossiers: job.dossiers }
  })

  app.get(
    '/api/jobs/:id/journal',
    { schema: { summary: 'Entries after a seq', params, querystring: afterSchema } },
    (request) => jobs.journal(params.parse(request.params).id, afterSchema.parse(request.query).after),
  )

  app.post(
    '/api/jobs/:id/journal',
    { bodyLimit: journalLimitBytes, schema: { summary: 'Append entries, all or none', params, body: appendSchema } },
    (request) => {
      const { base, entries } = appendSchema.parse(request.body)
      return jobs.append(params.parse(request.params).id, base, entries)
    },
  )

  app.get(
    '/api/jobs/:id/export',
    { schema: { summary: 'The whole job as one document', params } },
    async (request, reply) => {
      const { id } = params.parse(request.params)
      const file = await jobs.exportFile(id)
      return reply.header('content-disposition', `attachment; filename="job-${id}.json"`).send(file)
    },
  )

  app.post(
    '/api/jobs/import',
    { bodyLimit: importLimitBytes, schema: { summary: 'Bring a job document in; the same job is merged by entry id' } },
    async (request, reply) => {
      const file = readJobFile(request.body)
      if (!file.ok) throw new Refusal('malformed', ...file.problems)
      const result = await jobs.importFile(file.value)
      return reply.code(result.merged ? 200 : 201).send(result)
    },
  )

  app.get(
    '/api/live',
    { websocket: true, schema: { hide: true, querystring: z.object({ job: z.string() }) } },
    (socket, request) => {
      live.join(z.object({ job: z.string() }).parse(request.query).job, socket)
    },
  )
}
