import type { DossierService } from '../dossiers/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import type { YardService } from '../yard/index.ts'
import type { Live } from './live.ts'
import { jobRoutes, type JobDesk } from './routes.ts'
import type { JobService } from './service.ts'

export { firstSight } from './firstSight.ts'
export { liveSockets, type Live } from './live.ts'
export { jobService, type JobService, type LoadedJob } from './service.ts'
export type { PaperJob } from './paperJob.ts'
export { isHeavy } from './weight.ts'
export type { JobRow, StoredEntry } from './repository.ts'

export function jobsPlugin(
  deps: AppDeps,
  dossiers: DossierService,
  jobs: JobService,
  yard: YardService,
  live: Live,
  desk: JobDesk,
) {
  return async (app: HttpApp): Promise<void> => jobRoutes(app, deps, dossiers, jobs, yard, live, desk)
}
