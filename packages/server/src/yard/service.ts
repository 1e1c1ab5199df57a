import { z } from 'zod'
import type { AppDeps } from '../platform/deps.ts'
import { yardRepository } from './repository.ts'

/** How the nightly copy is made. */
export const backupSettingsSchema = z.strictObject({
  nightly: z.boolean(),
  /** Copies kept; the oldest goes when another comes. */
  keep: z.int().min(1).max(60),
})
export type BackupSettings = z.output<typeof backupSettingsSchema>

const defaults: BackupSettings = { nightly: true, keep: 7 }
/** Devices may send again what a restored yard lacks for so long after, ms. */
const restoredForMs = 30 * 24 * 3_600_000

export type YardService = ReturnType<typeof yardService>

/** What is true of the yard as a whole. */
export function yardService(deps: AppDeps) {
  const repository = yardRepository(deps.db)
  let epoch: Promise<string> | undefined
  const newEpoch = async () => {
    const made = deps.newId()
    await repository.write('epoch', made)
    return made
  }
  return {
    /** Names this store; another one after a restore, so that devices notice that they may know more. */
    epoch(): Promise<string> {
      epoch ??= (async () => {
        const known = await repository.read('epoch')
        return typeof known === 'string' ? known : newEpoch()
      })()
      return epoch
    },
    async noteRestored(): Promise<void> {
      await repository.write('restoredAt', deps.now())
      epoch = newEpoch()
      await epoch
    },
    /** Whether devices may send again what they know and the yard does not. */
    async wasRestored(): Promise<boolean> {
      const at = await repository.read('restoredAt')
      return typeof at === 'string' && Date.parse(deps.now()) - Date.parse(at) < restoredForMs
    },
    async backupSettings(): Promise<BackupSettings> {
      const read = backupSettingsSchema.safeParse(await repository.read('backup'))
      return read.success ? read.data : defaults
    },
    saveBackupSettings: (settings: BackupSettings): Promise<void> => repository.write('backup', settings),
  }
}
