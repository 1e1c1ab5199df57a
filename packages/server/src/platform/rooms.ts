import type { Database } from './db.ts'
import type { FileStore } from './fileStore.ts'
import type { Config } from './config.ts'

/** What every capability is given: no one reaches for the clock or for chance by itself. */
export interface Rooms {
  db: Database
  files: FileStore
  photos: FileStore
  config: Config
  now: () => string
  newId: () => string
}
