import { createHash } from 'node:crypto'
import { jobFileSchema, appendSchema, newEntrySchema } from '@tidy-badger/core/jobs'
import { kitSchema, machineSchema } from '@tidy-badger/core/dossiers'
import { inkKinds, machineSvg, views, viewsOf } from '@tidy-badger/core/drawing'
import { suggestRequestSchema } from '@tidy-badger/core/fuel-trim'
import { cleanText, idText, queryInteger } from '@tidy-badger/core/shared'
import { connectionSchema } from '@tidy-badger/core/wiring'
import { z } from 'zod'
import { notFound, refusal } from '../platform/errors.ts'
import { fileAnswer, hashText, versionQuery, type HttpApp } from '../platform/http.ts'
import { largestZipBytes } from './folderZip.ts'
import { referenceOf } from './readReference.ts'
import type { DossierService } from './service.ts'

const publishedSchemas = {
  machine: machineSchema,
  kit: kitSchema,
  entry: newEntrySchema,
  append: appendSchema,
  job: jobFileSchema,
  'fuel-trim-request': suggestRequestSchema,
  connection: connectionSchema,
} satisfies Record<string, z.ZodType>

const named = z.object({ kind: z.enum(['machine', 'kit']), id: idText })
const portraitQuery = z.object({
  version: versionQuery,
  variant: cleanText(100).optional(),
  from: z.enum(views).default('side'),
  ink: z.enum(inkKinds).default('day'),
  /** How wide it is shown. */
  px: queryInteger(60).max(4000).default(430),
})
const draftParams = z.object({ id: idText })
const anyDocument = z.record(z.string(), z.unknown())
const ref = z.object({ id: z.string(), version: z.int(), hash: hashText })
const draftRow = z.object({
  id: z.string(),
  savedAt: z.string(),
  savedBy: z.string().nullable(),
  revision: z.int(),
})

/** Larger than any machine that can be checked: a document too large is then refused with its own sentence. */
const documentLimitBytes = 8 * 1024 * 1024

export function dossierRoutes(app: HttpApp, dossiers: DossierService): void {
  app.get(
    '/api/machines/:id/drawing.svg',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'A machine, drawn: from above, its left, its right or below, as on the screen or for paper',
        params: z.object({ id: idText }),
        querystring: portraitQuery,
        produces: ['image/svg+xml'],
        response: { ...fileAnswer('image/svg+xml').response, 304: z.unknown().describe('drawn as before') },
      },
    },
    async (request, reply) => {
      const { version, variant, from, ink, px } = request.query
      const { document } = await dossiers.machine(referenceOf(request.params.id, version, variant))
      if (document.body && !viewsOf(document.body).includes(from))
        throw refusal(
          'unprocessable',
          'unknown-side',
          `The ${document.maker} ${document.model} has no cabin to be seen from inside.`,
          'from',
        )
      const svg = machineSvg(document, from, ink, px)
      // A version never changes, the way it is drawn does with the app.
      const tag = `"${createHash('sha256').update(svg).digest('base64url')}"`
      void reply.header('cache-control', 'private, no-cache').header('etag', tag)
      if (request.headers['if-none-match'] === tag) return reply.code(304).send()
      return reply.type('image/svg+xml').send(svg)
    },
  )
  app.get(
    '/api/dossiers',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Machines and kits that are published, newest version first',
        response: {
          200: z.array(
            ref.extend({
              kind: z.enum(['machine', 'kit']),
              draft: z.boolean(),
              name: z.string(),
              about: z.string(),
              variants: z.array(z.object({ id: z.string(), name: z.string(), tells: z.string() })),
              fits: z.array(z.string()),
              /* ends of its loom; a reader has none */
              ends: z.int(),
              /* columns it names, where it is read from */
              figures: z.int(),
            }),
          ),
        },
      },
    },
    () => dossiers.list(),
  )
  app.get(
    '/api/dossiers/:kind/:id',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'One published document',
        params: named,
        querystring: z.object({ version: versionQuery }),
        response: { 200: z.object({ document: z.looseObject({ kind: z.string() }), hash: hashText }) },
      },
    },
    (request) => dossiers.document(request.params.kind, request.params.id, request.query.version),
  )
  app.post(
    '/api/dossiers',
    {
      config: { access: 'keeper' },
      bodyLimit: documentLimitBytes,
      schema: {
        summary: 'Publish a document as the next version of its id',
        body: anyDocument,
        response: { 201: ref },
      },
    },
    async (request, reply) => reply.code(201).send(await dossiers.publish(request.body)),
  )
  app.get(
    '/api/dossiers/:kind/:id/folder.zip',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'One published document as a zipped folder of tables and texts, with what changed in CHANGES.md',
        params: named,
        querystring: z.object({ version: versionQuery }),
        ...fileAnswer('application/zip'),
      },
    },
    async (request, reply) => {
      const { kind, id } = request.params
      const { name, bytes } = await dossiers.folder(kind, id, request.query.version)
      return reply
        .type('application/zip')
        .header('content-disposition', `attachment; filename="${name}.zip"`)
        .send(bytes)
    },
  )
  app.register(async (raw: HttpApp) => {
    raw.removeAllContentTypeParsers()
    raw.addContentTypeParser('*', { parseAs: 'buffer' }, (_request, body, done) => done(null, body))
    raw.post(
      '/api/dossiers/folder',
      {
        config: { access: 'fitter' },
        bodyLimit: largestZipBytes,
        schema: {
          summary:
            'Read a zipped folder, or one document as JSON: what it says, and what is otherwise than published. Nothing is kept',
          consumes: ['application/zip', 'application/json'],
          response: {
            200: z.object({
              document: z.looseObject({ kind: z.string() }),
              next: z.int().nullable(),
              beside: z.int().nullable(),
              changes: z.array(z.string()),
            }),
          },
        },
      },
      (request) => {
        if (!Buffer.isBuffer(request.body) || request.body.length === 0)
          throw refusal('malformed', 'body-empty', 'The file itself is missing.')
        return dossiers.bring(request.body)
      },
    )
  })
  app.get(
    '/api/drafts',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Documents being written',
        response: {
          200: z.array(
            draftRow.extend({
              name: z.string(),
              of: z.object({ kind: z.enum(['machine', 'kit']), id: z.string() }).nullable(),
            }),
          ),
        },
      },
    },
    () => dossiers.drafts(),
  )
  app.get(
    '/api/drafts/:id',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'One of them',
        params: draftParams,
        response: { 200: draftRow.extend({ document: anyDocument }) },
      },
    },
    (request) => dossiers.draft(request.params.id),
  )
  app.put(
    '/api/drafts/:id',
    {
      config: { access: 'fitter' },
      bodyLimit: documentLimitBytes,
      schema: {
        summary: 'Save a document as it stands, whole or not; a known one with the revision it was made on',
        params: draftParams,
        querystring: z.object({ base: queryInteger(1).optional() }),
        body: anyDocument,
        response: { 200: z.object({ id: z.string(), savedAt: z.string(), revision: z.int() }) },
      },
    },
    (request) =>
      dossiers.saveDraft(
        request.params.id,
        request.body,
        request.query.base ?? null,
        request.sender?.role === 'fitter' ? request.sender.person : null,
      ),
  )
  app.delete(
    '/api/drafts/:id',
    {
      config: { access: 'keeper' },
      schema: { summary: 'Throw a draft away', params: draftParams, response: { 204: z.null() } },
    },
    async (request, reply) => {
      await dossiers.dropDraft(request.params.id)
      return reply.code(204).send()
    },
  )
  app.get(
    '/api/schemas',
    {
      config: { access: 'fitter' },
      schema: { summary: 'Names of the published JSON Schemas', response: { 200: z.array(z.string()) } },
    },
    () => Object.keys(publishedSchemas),
  )
  app.get(
    '/api/schemas/:name',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'One JSON Schema',
        params: z.object({ name: cleanText(80) }),
        response: { 200: z.looseObject({ $schema: z.string() }) },
      },
    },
    (request) => {
      const { name } = request.params
      const schema = Object.entries(publishedSchemas).find(([known]) => known === name.replace(/\.json$/, ''))?.[1]
      if (!schema) throw notFound('schema', name)
      return z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })
    },
  )
}
