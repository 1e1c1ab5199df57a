import type { FolderWatch } from './dataFolder.ts'
import type { Database } from './db.ts'
import type { FileStore } from './fileStore.ts'
import type { Config } from './config.ts'
import type { WorkPool } from './workPool.ts'

/** What every capability is given: no one reaches for the clock or for chance by itself. */
export interface AppDeps {
  db: Database
  files: FileStore
  photos: FileStore
  /** Notices when the data folder is taken away. */
  folder: FolderWatch
  /** Worker threads for what takes long. */
  pool: WorkPool
  config: Config
  now: () => string
  newId: () => string
}
