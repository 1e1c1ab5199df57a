import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import { routingRoutes } from './routes.ts'
import { routingService } from './service.ts'

export function routingPlugin(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  const routing = routingService(deps, dossiers, jobs)
  return async (app: HttpApp): Promise<void> => routingRoutes(app, routing)
}
