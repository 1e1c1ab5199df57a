import { randomUUID } from 'node:crypto'
import type { Config } from './config.ts'
import { prepareDataFolder } from './dataFolder.ts'
import { openPrepared, type OpenDatabase } from './db.ts'
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
  await prepareDataFolder(config.dataFolder)
  // The folders of files are looked through while the database opens.
  const opened: { as?: OpenDatabase } = {}
  const watch = { check: () => opened.as?.folder.check() }
  const [database, files, photos] = await Promise.all([
    openPrepared(config.dataFolder),
    openFileStore(config.dataFolder, watch),
    openPhotoStore(config.dataFolder, watch),
  ])
  opened.as = database
  const deps: AppDeps = {
    db: database.db,
    files,
    photos,
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
