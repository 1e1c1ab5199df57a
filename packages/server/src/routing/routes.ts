import { mountPractices } from '@tidy-badger/core/routing'
import { cleanText, idText } from '@tidy-badger/core/shared'
import { z } from 'zod'
import { fileAnswer, type HttpApp } from '../platform/http.ts'
import type { RoutingService } from './service.ts'

const params = z.object({ id: idText })
/** Of a job with several kits, which one's. */
const querystring = z.object({ kit: cleanText(140).optional() })
const planSchema = z.strictObject({
  machine: z.record(z.string(), z.unknown()),
  kit: z.record(z.string(), z.unknown()),
  placeId: cleanText(64).optional(),
  school: z.enum(mountPractices).optional(),
})
const planAnswer = z.object({
  places: z.array(
    z.looseObject({
      place: z.object({ id: z.string(), name: z.string() }),
      rank: z.number(),
      feasible: z.boolean(),
      branches: z.array(z.looseObject({ end: z.string(), needM: z.number(), suppliedM: z.number() })),
    }),
  ),
  gaps: z.array(z.unknown()),
  exact: z.boolean(),
})

export function routingRoutes(app: HttpApp, routing: RoutingService): void {
  app.post(
    '/api/routing/plan',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Mount places in order, with the way of every branch',
        body: planSchema,
        response: { 200: planAnswer },
      },
    },
    (request) => routing.plan(request.body),
  )

  app.get(
    '/api/jobs/:id/route.svg',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'The loom in the machine, from above and from the left',
        params,
        querystring,
        ...fileAnswer('image/svg+xml'),
      },
    },
    async (request, reply) =>
      reply.type('image/svg+xml').send(await routing.paper(request.params.id, 'drawing', request.query.kit)),
  )

  app.get(
    '/api/jobs/:id/route.pdf',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Way, lengths, ties and power of the loom on paper',
        params,
        querystring,
        ...fileAnswer('application/pdf'),
      },
    },
    async (request, reply) =>
      reply.type('application/pdf').send(await routing.paper(request.params.id, 'sheet', request.query.kit)),
  )

  app.get(
    '/api/jobs/:id/template.pdf',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Lengths at 1:1 for cutting sleeve and extensions',
        params,
        querystring,
        ...fileAnswer('application/pdf'),
      },
    },
    async (request, reply) =>
      reply.type('application/pdf').send(await routing.paper(request.params.id, 'template', request.query.kit)),
  )
}
