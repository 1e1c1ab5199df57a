import { jobFileSchema, appendSchema, newEntrySchema } from '@tidy-badger/core/jobs'
import { kitSchema, machineSchema } from '@tidy-badger/core/dossiers'
import { suggestRequestSchema } from '@tidy-badger/core/fuel-trim'
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
} satisfies Record<string, z.ZodType>

export function dossierRoutes(app: FastifyInstance, dossiers: DossierService): void {
  app.get('/api/dossiers', { schema: { summary: 'Machines and kits in the store, newest version first' } }, () =>
    dossiers.list(),
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
