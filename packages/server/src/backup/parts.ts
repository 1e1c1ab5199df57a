import type { DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import type { PairingService } from '../pairing/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { VehicleService } from '../vehicles/index.ts'
import type { WiringService } from '../wiring/index.ts'
import type { YardService } from '../yard/index.ts'

/** Everything a backup is made of. */
export interface BackupParts {
  deps: AppDeps
  jobs: JobService
  dossiers: DossierService
  pairing: PairingService
  wiring: WiringService
  yard: YardService
  vehicles: VehicleService
}
