import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import { accessRoutes } from './routes.ts'
import { accessService } from './service.ts'

export function accessPlugin(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  const access = accessService(deps, dossiers, jobs)
  return async (app: HttpApp): Promise<void> => accessRoutes(app, access, deps)
}
