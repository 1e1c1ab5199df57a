import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import { pairingRoutes } from './routes.ts'
import type { PairingService } from './service.ts'

export { authGuard, type RouteAccess } from './authGuard.ts'
export { pairingService, type PairingService } from './service.ts'

export function pairingPlugin(pairing: PairingService, deps: AppDeps) {
  return async (app: HttpApp): Promise<void> => pairingRoutes(app, pairing, deps)
}
