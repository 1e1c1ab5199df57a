import { mountSchools } from '@tidy-badger/core/routing'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import type { Rooms } from '../platform/rooms.ts'
import { loomSvg } from './loomSvg.ts'
import { routePdf } from './routePdf.ts'
import type { RoutingService } from './service.ts'
import { templatePdf } from './templatePdf.ts'

const params = z.object({ id: z.string().min(1) })
const planSchema = z.strictObject({
  machine: z.record(z.string(), z.unknown()),
  kit: z.record(z.string(), z.unknown()),
  placeId: z.string().min(1).max(64).optional(),
  school: z.enum(mountSchools).optional(),
})

export function routingRoutes(app: FastifyInstance, routing: RoutingService, rooms: Rooms): void {
  app.post(
    '/api/routing/plan',
    { schema: { summary: 'Mount places in order, with the way of every branch', body: planSchema } },
    (request) => routing.plan(planSchema.parse(request.body)),
  )

  app.get(
    '/api/jobs/:id/route.svg',
    { schema: { summary: 'The loom in the machine, from above and from the left', params } },
    async (request, reply) => {
      const { job, loom } = await routing.ofJob(params.parse(request.params).id)
      return reply.type('image/svg+xml').send(loomSvg(job.dossiers, loom, job.row.title))
    },
  )

  app.get(
    '/api/jobs/:id/route.pdf',
    { schema: { summary: 'Way, lengths, ties and power of the loom on paper', params } },
    async (request, reply) => {
      const { job, loom } = await routing.ofJob(params.parse(request.params).id)
      return reply.type('application/pdf').send(await routePdf(job, loom, rooms.now()))
    },
  )

  app.get(
    '/api/jobs/:id/template.pdf',
    { schema: { summary: 'Lengths at 1:1 for cutting sleeve and extensions', params } },
    async (request, reply) => {
      const { job, loom } = await routing.ofJob(params.parse(request.params).id)
      return reply.type('application/pdf').send(await templatePdf(job, loom))
    },
  )
}
