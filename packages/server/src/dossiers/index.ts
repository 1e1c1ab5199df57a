import type { HttpApp } from '../platform/http.ts'
import { dossierRoutes } from './routes.ts'
import type { DossierService } from './service.ts'

export { referenceOf } from './readReference.ts'
export type { Learnt } from './learnt.ts'
export { dossierService, isKit, isMachine, type DossierAsked, type DossierService } from './service.ts'
export type { Seeded } from './seedShipped.ts'

export function dossiersPlugin(dossiers: DossierService) {
  return async (app: HttpApp): Promise<void> => dossierRoutes(app, dossiers)
}
