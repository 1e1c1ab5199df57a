import { access, constants, mkdir, readdir, rm, writeFile } from 'node:fs/promises'
import { statSync } from 'node:fs'
import { join } from 'node:path'
import { refusal } from './errors.ts'

/** Where the database lies in a data folder. */
export const storeOf = (dataFolder: string): string => join(dataFolder, 'store')

/**
 * Makes sure that a data folder can be worked in, before anything is opened in it.
 * An empty or missing folder becomes a new yard; one with data but without its database never does.
 * @throws a sentence with the folder and what to do
 */
export async function prepareDataFolder(dataFolder: string): Promise<void> {
  const other = 'or set TIDY_BADGER_DATA to another folder'
  try {
    await mkdir(dataFolder, { recursive: true, mode: 0o700 })
    const probe = join(dataFolder, `.probe-${process.pid}`)
    await writeFile(probe, '')
    await rm(probe)
  } catch (error) {
    throw new Error(
      `The data folder ${dataFolder} cannot be written to (${reasonOf(error)}). Give this user the right to write there, ${other}.`,
      { cause: error },
    )
  }
  const store = storeOf(dataFolder)
  if (await exists(join(store, 'PG_VERSION'))) return
  const [inStore, logs, photos, backups] = await Promise.all(
    [store, join(dataFolder, 'logs'), join(dataFolder, 'photos'), join(dataFolder, 'backups')].map(contents),
  )
  if ([...inStore, ...logs, ...photos, ...backups].every((name) => name === 'unfinished')) return
  throw new Error(
    `The data folder ${dataFolder} holds a yard's files, but its database is not whole (${join(store, 'PG_VERSION')} is missing). ` +
      `Put the folder "store" back, or move ${dataFolder} away and bring the last backup into an empty folder with "npm run restore -- FILE", ${other}.`,
  )
}

/** What the start says when the database is there but does not open. */
export function storeBroken(dataFolder: string, error: unknown): Error {
  return new Error(
    `The database in ${storeOf(dataFolder)} does not open: it is damaged (${reasonOf(error)}). ` +
      `Keep the folder as it is, and bring the last backup into an empty one: TIDY_BADGER_DATA=/new/folder npm run restore -- FILE.`,
  )
}

/** What the start says when there is no database yet and none can be begun. */
export function storeNotBegun(dataFolder: string, error: unknown): Error {
  return new Error(
    `No database can be begun in ${storeOf(dataFolder)} (${reasonOf(error)}). ` +
      `Make room there, or set TIDY_BADGER_DATA to another folder; nothing of it is left behind.`,
  )
}

export interface FolderWatch {
  /** @throws Refusal when the folder opened is not there any more, or is another one under the same name */
  check: () => void
}

/**
 * Notices that the data folder or its database was deleted or swapped: files that are open go on working then, and what is
 * written to them is gone. Two looks at the disk, some microseconds.
 */
export function watchFolder(dataFolder: string): FolderWatch {
  const places = [dataFolder, join(storeOf(dataFolder), 'PG_VERSION')]
  const identity = () => places.map((place) => statSync(place, { throwIfNoEntry: false })?.ino ?? null).join()
  const opened = identity()
  return {
    check() {
      if (identity() !== opened)
        throw refusal(
          'unavailable',
          'folder-gone',
          `The data folder ${dataFolder} was moved or deleted while the server ran. Nothing more is taken until it is back; what is not sent yet stays on the devices.`,
        )
    },
  }
}

async function exists(path: string): Promise<boolean> {
  return access(path, constants.F_OK).then(
    () => true,
    () => false,
  )
}

async function contents(folder: string): Promise<string[]> {
  return readdir(folder).catch(() => [])
}

function reasonOf(error: unknown): string {
  return error instanceof Error ? error.message.split('\n')[0] : String(error)
}
