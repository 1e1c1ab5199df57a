import { randomUUID } from 'node:crypto'
import type { Config } from './config.ts'
import { openDatabase } from './db.ts'
import type { AppDeps } from './deps.ts'
import { openFileStore, openPhotoStore } from './fileStore.ts'
import { lockFolder } from './folderLock.ts'
import { openWorkPool } from './workPool.ts'

/**
 * Opens a data folder for this process alone.
 * @throws a sentence when another process works in it, or it cannot be used
 */
export async function openDeps(config: Config): Promise<{ deps: AppDeps; close: () => Promise<void> }> {
  const lock = await lockFolder(config.dataFolder)
  const database = await openDatabase(config.dataFolder)
  const deps: AppDeps = {
    db: database.db,
    files: await openFileStore(config.dataFolder, database.folder),
    photos: await openPhotoStore(config.dataFolder, database.folder),
    folder: database.folder,
    pool: openWorkPool(),
    config,
    now: () => new Date().toISOString(),
    newId: randomUUID,
  }
  return {
    deps,
    async close() {
      await database.close()
      await lock.release()
    },
  }
}
