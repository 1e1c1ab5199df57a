import type { FastifyInstance } from 'fastify'
import { dossierRoutes } from './routes.ts'
import type { DossierService } from './service.ts'

export { dossierService, type DossierAsked, type DossierService } from './service.ts'

export function dossiersPlugin(dossiers: DossierService) {
  return async (app: FastifyInstance): Promise<void> => dossierRoutes(app, dossiers)
}
