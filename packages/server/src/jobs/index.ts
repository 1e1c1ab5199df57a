import type { FastifyInstance } from 'fastify'
import type { Live } from './live.ts'
import { jobRoutes } from './routes.ts'
import type { JobService } from './service.ts'

export { liveRooms, type Live } from './live.ts'
export { jobService, type JobService, type LoadedJob } from './service.ts'

export function jobsPlugin(jobs: JobService, live: Live) {
  return async (app: FastifyInstance): Promise<void> => jobRoutes(app, jobs, live)
}
