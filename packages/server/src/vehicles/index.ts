import type { HttpApp } from '../platform/http.ts'
import { vehicleRoutes } from './routes.ts'
import type { VehicleService } from './service.ts'

export { vehicleService, type JobAsked, type VehicleService } from './service.ts'
export type { VehicleRow } from './repository.ts'

export function vehiclesPlugin(vehicles: VehicleService) {
  return async (app: HttpApp): Promise<void> => vehicleRoutes(app, vehicles)
}
