import type { FastifyInstance } from 'fastify'
import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { Rooms } from '../platform/rooms.ts'
import { routingRoutes } from './routes.ts'
import { routingService } from './service.ts'

export function routingPlugin(rooms: Rooms, dossiers: DossierService, jobs: JobService) {
  const routing = routingService(dossiers, jobs)
  return async (app: FastifyInstance): Promise<void> => routingRoutes(app, routing, rooms)
}
