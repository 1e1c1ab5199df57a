import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** One unsent batch of a job, in the order it was made. */
export interface Unsent {
  key?: number
  job: string
  entries: unknown[]
  /** Head the person saw. */
  base: number
  state: 'waiting' | 'refused' | 'lost'
  problems: { code: string; message: string }[]
  /** Missing in batches kept by an earlier version. */
  tries?: number
  notBefore?: number
  again?: boolean
}

interface Tables extends DBSchema {
  /** Last answers of the server, by path. */
  answers: { key: string; value: unknown }
  journals: { key: string; value: { head: number; entries: unknown[]; yard?: string | null } }
  unsent: { key: number; value: Unsent; indexes: { job: string } }
  /** Bytes of logs by hash. */
  logs: { key: string; value: Blob }
  /** Bytes of photos by hash, until they are sent. */
  photos: { key: string; value: Blob }
  /** Views of a machine behind its points while they are written down, by draft and view. */
  backgrounds: { key: string; value: Blob }
}

let opened: Promise<IDBPDatabase<Tables>> | undefined

/** What this device keeps, so that a reload or a lost link loses nothing. */
export function deviceStore(): Promise<IDBPDatabase<Tables>> {
  opened ??= openDB<Tables>('tidy-badger', 3, {
    upgrade(db, from) {
      if (from < 2) db.createObjectStore('photos')
      if (from < 3) db.createObjectStore('backgrounds')
      if (from > 0) return
      db.createObjectStore('answers')
      db.createObjectStore('journals')
      db.createObjectStore('logs')
      db.createObjectStore('unsent', { keyPath: 'key', autoIncrement: true }).createIndex('job', 'job')
    },
  })
  return opened
}
