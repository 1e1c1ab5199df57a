import type { FastifyInstance } from 'fastify'
import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { Rooms } from '../platform/rooms.ts'
import { accessRoutes } from './routes.ts'
import { accessService } from './service.ts'

export function accessPlugin(rooms: Rooms, dossiers: DossierService, jobs: JobService) {
  const access = accessService(jobs)
  return async (app: FastifyInstance): Promise<void> => accessRoutes(app, access, dossiers, rooms)
}
