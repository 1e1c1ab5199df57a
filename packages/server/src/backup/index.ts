import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import type { YardService } from '../yard/index.ts'
import type { Housekeeping } from './nightly.ts'
import { backupRoutes } from './routes.ts'
import type { BackupService } from './service.ts'

export { startHousekeeping, type Housekeeping } from './nightly.ts'
export { backupService, type BackupService } from './service.ts'

export function backupPlugin(deps: AppDeps, backup: BackupService, yard: YardService, housekeeping: Housekeeping) {
  return async (app: HttpApp): Promise<void> => backupRoutes(app, deps, backup, yard, housekeeping)
}
