import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import { fuelTrimRoutes } from './routes.ts'

export function fuelTrimPlugin(deps: AppDeps) {
  return async (app: HttpApp): Promise<void> => fuelTrimRoutes(app, deps)
}
