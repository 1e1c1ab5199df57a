import { purposes, stations, type Purpose } from '@tidy-badger/core/dossiers'
import {
  appendSchema,
  dossierRefSchema,
  jobFileSchema,
  kitRefs,
  type NewEntry,
  type OlderChoice,
  upcastEntry,
} from '@tidy-badger/core/jobs'
import { cleanText, idText, queryInteger } from '@tidy-badger/core/shared'
import { Readable } from 'node:stream'
import { z } from 'zod'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import { refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { type HttpApp } from '../platform/http.ts'
import type { YardService } from '../yard/index.ts'
import { exportJob } from './exportJob.ts'
import { importJob } from './importJob.ts'
import type { Live } from './live.ts'
import type { JobService, LoadedJob } from './service.ts'

const params = z.object({ id: idText })
const asked = z.record(z.string(), z.unknown())
const openSchema = z.strictObject({
  machine: asked.optional(),
  /* a machine on file, instead of a dossier */
  vehicle: idText.optional(),
  kit: asked.optional(),
  /* several; instead of kit */
  kits: z.array(asked).max(8).optional(),
  purpose: z.enum(purposes).optional(),
  /* kits from the shelf, by their ids there */
  fromShelf: z.array(z.string().min(1).max(210)).max(8).optional(),
  title: z.string().trim().pipe(cleanText(200)).optional(),
})
const afterSchema = z.object({ after: queryInteger(0).default(0) })
const appendAsked = appendSchema.extend({
  /** The yard was restored from a backup and lacks these: they are taken as they were, whoever wrote them. */
  again: z.boolean().optional(),
})
const listQuery = z.object({
  limit: z.coerce.number<string>().int().min(1).max(1000).optional(),
  after: idText.optional(),
  q: cleanText(200, 0).optional(),
  station: z.enum(stations).optional(),
  archived: z.enum(['true', 'false', 'all']).default('false'),
  deleted: z.enum(['true', 'false']).default('false'),
})

const listedJob = z.looseObject({
  id: z.string(),
  title: z.string(),
  createdAt: z.string(),
  changedAt: z.string(),
  archivedAt: z.string().nullable(),
  deletedAt: z.string().nullable(),
  head: z.int(),
  provenance: z.array(z.object({ job: z.string(), importedAt: z.string() })),
})
const ref = dossierRefSchema
const readableJob = listedJob.extend({
  machine: ref,
  kit: ref,
  machineName: z.string(),
  kitName: z.string(),
  station: z.enum(stations),
  finished: z.boolean(),
  connected: z.int(),
  ends: z.int(),
  stop: z.string().nullable(),
  missing: z.array(z.string()),
  rides: z.int(),
  kits: z.array(ref.extend({ key: z.string().describe('What it is called in the job: its ends are key:end') })),
  present: z.array(ref).describe('Kits that were in the machine before'),
  places: z.array(z.object({ kit: z.string(), place: z.string().nullable() })),
  purpose: z.enum(purposes),
  plate: z.string().nullable(),
  owner: z.string().nullable(),
})
const jobInList = z.union([
  readableJob,
  listedJob.extend({ unreadable: z.string().describe('Why the job cannot be read here.') }),
])
const entrySchema = z.looseObject({
  id: z.string(),
  kind: z.string(),
  seq: z.int(),
  receivedAt: z.string(),
  v: z.int(),
})
const newerSchema = z
  .object({
    from: ref,
    to: ref,
    changes: z.array(z.object({ what: z.string(), says: z.string() })),
    invalidates: z.array(z.object({ entry: z.string(), why: z.string() })),
    variantLost: z.string().nullable(),
  })
  .nullable()

/** Where jobs are opened: it knows the machines on file. */
export interface JobDesk {
  open: (asked: {
    machine?: DossierAsked
    vehicle?: string
    kit?: DossierAsked
    kits?: readonly DossierAsked[]
    purpose?: Purpose
    fromShelf?: readonly string[]
    title?: string
  }) => Promise<LoadedJob>
  /** The machine on file a job is of. */
  ofJob: (job: string) => Promise<string | null>
}

export const journalLimitBytes = 1024 * 1024
/** Large enough for any job; what is in it passes through. */
const importLimitBytes = 8 * 1024 ** 3

export function jobRoutes(
  app: HttpApp,
  deps: AppDeps,
  dossiers: DossierService,
  jobs: JobService,
  yard: YardService,
  live: Live,
  desk: JobDesk,
): void {
  app.get(
    '/api/jobs',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Jobs, oldest first; with a limit, the next page is named in the link header',
        querystring: listQuery,
        response: { 200: z.array(jobInList) },
      },
    },
    async (request, reply) => {
      const { archived, deleted, ...query } = request.query
      const { jobs: page, next } = await jobs.list({
        ...query,
        archived: archived === 'true' ? 'only' : archived === 'all' || deleted === 'true' ? 'all' : 'no',
        deleted: deleted === 'true',
      })
      if (next !== null) {
        const search = new URLSearchParams({ ...request.query, limit: String(query.limit), after: next })
        reply.header('link', `</api/jobs?${search.toString()}>; rel="next"`)
      }
      return page
    },
  )

  app.post(
    '/api/jobs',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Open a job on a machine, or on one on file, with one kit or several',
        body: openSchema,
        response: { 201: readableJob },
      },
    },
    async (request, reply) => {
      if (request.body.kit && request.body.kits)
        throw refusal('malformed', 'custom', 'Name one kit with kit, or several with kits, not both.', 'kits')
      const { vehicle, machine, kit, kits, purpose = 'fit' } = request.body
      if (!vehicle && !machine)
        throw refusal(
          'malformed',
          'invalid-type',
          '"machine" is missing: name a dossier, or one on file with vehicle.',
          'machine',
        )
      if (purpose === 'fit' && !kit && !kits?.length)
        throw refusal('malformed', 'invalid-type', '"kit" is missing: name the kits that are fitted.', 'kit')
      const job = await desk.open(request.body)
      return reply.code(201).send(await jobs.summary(job))
    },
  )

  app.get(
    '/api/jobs/:id',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'One job with the dossiers it works with',
        params,
        response: {
          200: readableJob.extend({
            vehicle: z.string().nullable().describe('The machine on file it is of'),
            dossiers: z.object({ machine: asked, kit: asked }),
          }),
        },
      },
    },
    async (request) => {
      const job = await jobs.load(request.params.id)
      const vehicle = await desk.ofJob(job.row.id)
      return { ...(await jobs.summary(job)), vehicle, dossiers: job.dossiers }
    },
  )

  app.get(
    '/api/jobs/:id/journal',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Entries after a seq; headers name the store (yard) and the dossiers in force (dossiers)',
        params,
        querystring: afterSchema,
        response: { 200: z.object({ head: z.int(), entries: z.array(entrySchema) }) },
      },
    },
    async (request, reply) => {
      const { job, head, entries } = await jobs.journal(request.params.id, request.query.after)
      reply.header('yard', await yard.epoch())
      reply.header('dossiers', [job.machineRef, ...kitRefs(job.refs)].map(({ hash }) => hash).join(' '))
      return { head, entries }
    },
  )

  app.post(
    '/api/jobs/:id/journal',
    {
      config: { access: 'fitter' },
      bodyLimit: journalLimitBytes,
      schema: {
        summary: 'Append entries, all or none',
        params,
        body: appendAsked,
        response: {
          200: z.object({ head: z.int(), entries: z.array(z.object({ id: z.string(), seq: z.int() })) }),
        },
      },
    },
    async (request) => {
      if (request.body.again && request.sender?.role !== 'keeper' && !(await yard.wasRestored()))
        throw refusal(
          'forbidden',
          'not-restored',
          'Entries of others are taken as they were only after the yard was brought back from a backup.',
        )
      const entries = request.body.entries.map(inTodaysForm)
      return jobs.append(request.params.id, { ...request.body, entries }, request.sender)
    },
  )

  app.get(
    '/api/jobs/:id/newer',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Newer versions of the dossiers a job works with, and what taking them would change',
        params,
        response: { 200: z.object({ machine: newerSchema, kit: newerSchema }) },
      },
    },
    (request) => jobs.newer(request.params.id),
  )

  app.get(
    '/api/jobs/:id/export',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'The whole job as one document',
        params,
        response: { 200: jobFileSchema },
      },
    },
    async (request, reply) => {
      const { id } = request.params
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', `attachment; filename="job-${encodeURIComponent(id)}.json"`)
        .send(await exportJob(deps, dossiers, jobs, id))
    },
  )

  for (const [action, summary, work] of [
    ['archive', 'Put a job away; it stays and can be written to', jobs.archive],
    ['restore', 'Bring a job back that was thrown away or put away', jobs.bringBack],
  ] as const)
    app.post(
      `/api/jobs/:id/${action}`,
      { config: { access: 'keeper' }, schema: { summary, params, response: { 204: z.null() } } },
      async (request, reply) => {
        await work(request.params.id)
        return reply.code(204).send()
      },
    )

  app.delete(
    '/api/jobs/:id',
    {
      config: { access: 'keeper' },
      schema: {
        summary: 'Throw a job away; for thirty days it can be brought back',
        params,
        response: { 204: z.null() },
      },
    },
    async (request, reply) => {
      await jobs.remove(request.params.id)
      return reply.code(204).send()
    },
  )

  app.register(async (raw: HttpApp) => {
    // The body is read as it arrives, whatever its size.
    raw.removeAllContentTypeParsers()
    raw.addContentTypeParser('application/json', (_request, payload, done) => done(null, payload))
    raw.post(
      '/api/jobs/import',
      {
        config: { access: 'keeper' },
        bodyLimit: importLimitBytes,
        schema: {
          summary: 'Bring a job document in; the same job is merged by entry id',
          consumes: ['application/json'],
          response: Object.fromEntries(
            [200, 201].map((status) => [
              status,
              z.object({ id: z.string(), merged: z.boolean(), added: z.int(), head: z.int() }),
            ]),
          ),
        },
      },
      async (request, reply) => {
        if (!(request.body instanceof Readable))
          throw refusal('malformed', 'body-empty', 'The job document itself is missing.')
        const result = await importJob(deps, dossiers, jobs, request.body)
        return reply.code(result.merged ? 200 : 201).send(result)
      },
    )
  })

  app.get(
    '/api/live',
    {
      websocket: true,
      config: { access: 'fitter' },
      schema: { hide: true, querystring: z.object({ job: idText }) },
    },
    (socket, request) => {
      const { sender } = request
      live.join(request.query.job, socket, sender?.role === 'fitter' ? sender.device : undefined)
    },
  )
}

/** An entry a device sends, its decisions in today's form. @throws Refusal for a decision in the older form that is none */
function inTodaysForm(written: NewEntry | OlderChoice, i: number): NewEntry {
  const entry = upcastEntry(written)
  if (written.kind === 'choice' && entry.kind === 'note')
    throw refusal(
      'unprocessable',
      'unknown-reference',
      `"${written.choice}" is no question of this job, or "${written.value}" no answer to it.`,
      `entries.${i}.choice`,
    )
  return entry
}
