import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { HttpApp } from '../platform/http.ts'
import { wiringRoutes } from './routes.ts'
import type { WiringService } from './service.ts'

export { wiringService, type WiringService } from './service.ts'
export { document as svgDocument, words as svgWords } from './svgParts.ts'
export { wiringSvg } from './wiringSvg.ts'

export function wiringPlugin(wiring: WiringService, dossiers: DossierService, jobs: JobService) {
  return async (app: HttpApp): Promise<void> => wiringRoutes(app, wiring, dossiers, jobs)
}
