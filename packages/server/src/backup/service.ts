import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { BackupParts } from './parts.ts'
import { createBackup } from './createBackup.ts'
import { restoreBackup, type RestoreResult } from './restoreBackup.ts'

export interface Copy {
  name: string
  bytes: number
  madeAt: string
}

export type BackupService = ReturnType<typeof backupService>

export function backupService(parts: BackupParts) {
  const { deps, yard } = parts
  const folder = join(deps.config.dataFolder, 'backups')

  async function copies(): Promise<Copy[]> {
    const names = (await readdir(folder).catch(() => [])).filter((name) => /^yard-[\dTZ-]+\.zip$/.test(name))
    const found = await Promise.all(
      names.map(async (name) => {
        const { size, mtime } = await stat(join(folder, name))
        return { name, bytes: size, madeAt: mtime.toISOString() }
      }),
    )
    return found.sort((a, b) => (a.name < b.name ? 1 : -1))
  }

  return {
    folder,
    copies,
    /** Throws away what a process that was killed left half written. */
    async tidy(): Promise<void> {
      for (const [place, unfinished] of [
        [folder, /\.zip\.part$/],
        [deps.config.dataFolder, /^arriving-.*\.zip$/],
      ] as const)
        for (const name of await readdir(place).catch(() => []))
          if (unfinished.test(name)) await rm(join(place, name), { force: true })
    },
    create: (): Promise<Readable> => createBackup(parts),
    /** Writes a backup to a file: whole, or not at all. */
    async writeTo(file: string): Promise<void> {
      const draft = `${file}.part`
      try {
        await pipeline(await createBackup(parts), createWriteStream(draft, { mode: 0o600 }))
        await rename(draft, file)
      } finally {
        await rm(draft, { force: true })
      }
    },
    /** Makes a copy in the data folder and lets the oldest ones go. */
    async copy(): Promise<Copy> {
      await mkdir(folder, { recursive: true, mode: 0o700 })
      const name = `yard-${deps.now().slice(0, 19).replaceAll(':', '-')}.zip`
      await this.writeTo(join(folder, name))
      const { keep } = await yard.backupSettings()
      const all = await copies()
      for (const { name: old } of all.slice(keep)) await rm(join(folder, old), { force: true })
      const made = all.find((copy) => copy.name === name)
      if (!made) throw new Error(`backup: ${name} is not there after it was written`)
      return made
    },
    restoreFile: (file: string): Promise<RestoreResult> => restoreBackup(parts, file),
    /** Takes a backup as it arrives, then brings it in. */
    async restore(body: Readable): Promise<RestoreResult> {
      const file = join(deps.config.dataFolder, `arriving-${randomUUID()}.zip`)
      try {
        await pipeline(body, createWriteStream(file, { mode: 0o600 }))
        return await restoreBackup(parts, file)
      } finally {
        await rm(file, { force: true })
      }
    },
  }
}
