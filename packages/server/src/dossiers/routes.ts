import { jobFileSchema, appendSchema, newEntrySchema } from '@tidy-badger/core/jobs'
import { kitSchema, machineSchema } from '@tidy-badger/core/dossiers'
import { suggestRequestSchema } from '@tidy-badger/core/fuel-trim'
import { connectionSchema } from '@tidy-badger/core/wiring'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import { notFound } from '../platform/errors.ts'
import type { DossierService } from './service.ts'

const published = {
  machine: machineSchema,
  kit: kitSchema,
  entry: newEntrySchema,
  append: appendSchema,
  job: jobFileSchema,
  'fuel-trim-request': suggestRequestSchema,
  connection: connectionSchema,
} satisfies Record<string, z.ZodType>

const named = z.object({ kind: z.enum(['machine', 'kit']), id: z.string().min(1) })
const versioned = z.object({ version: z.coerce.number().int().positive().optional() })
const draftParams = z.object({ id: z.string().min(1).max(100) })
const anyDocument = z.record(z.string(), z.unknown())

/** Larger than any machine that can be checked: a document too large is then refused with its own sentence. */
const documentLimitBytes = 8 * 1024 * 1024

export function dossierRoutes(app: FastifyInstance, dossiers: DossierService): void {
  app.get('/api/dossiers', { schema: { summary: 'Machines and kits in the store, newest version first' } }, () =>
    dossiers.list(),
  )
  app.get(
    '/api/dossiers/:kind/:id',
    { schema: { summary: 'One published document', params: named, querystring: versioned } },
    (request) => {
      const { kind, id } = named.parse(request.params)
      return dossiers.document(kind, id, versioned.parse(request.query).version)
    },
  )
  app.post(
    '/api/dossiers',
    { bodyLimit: documentLimitBytes, schema: { summary: 'Publish a document as the next version of its id' } },
    async (request, reply) => reply.code(201).send(await dossiers.publish(request.body)),
  )
  app.get('/api/drafts', { schema: { summary: 'Documents being written' } }, () => dossiers.drafts())
  app.get('/api/drafts/:id', { schema: { summary: 'One of them', params: draftParams } }, (request) =>
    dossiers.draft(draftParams.parse(request.params).id),
  )
  app.put(
    '/api/drafts/:id',
    {
      bodyLimit: documentLimitBytes,
      schema: { summary: 'Save a document as it stands, whole or not', params: draftParams, body: anyDocument },
    },
    (request) => dossiers.saveDraft(draftParams.parse(request.params).id, anyDocument.parse(request.body)),
  )
  app.delete(
    '/api/drafts/:id',
    { schema: { summary: 'Throw a draft away', params: draftParams } },
    async (request, reply) => {
      await dossiers.dropDraft(draftParams.parse(request.params).id)
      return reply.code(204).send()
    },
  )
  app.get('/api/schemas', { schema: { summary: 'Names of the published JSON Schemas' } }, () => Object.keys(published))
  app.get(
    '/api/schemas/:name',
    { schema: { summary: 'One JSON Schema', params: z.object({ name: z.string() }) } },
    (request) => {
      const { name } = z.object({ name: z.string() }).parse(request.params)
      const schema = Object.entries(published).find(([known]) => known === name.replace(/\.json$/, ''))?.[1]
      if (!schema) throw notFound('schema', name)
      return z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })
    },
  )
}
