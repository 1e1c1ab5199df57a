import { getJson, postFile, postJson, putJson } from '../platform/api/http.ts'

export interface BackupSettings {
  nightly: boolean
  keep: number
}

export interface BackupState extends BackupSettings {
  folder: string
  copies: { name: string; bytes: number; madeAt: string }[]
  /** Why the last nightly copy was not made. */
  problem: string | null
}

export interface Restored {
  added: number
  merged: number
  unchanged: number
  entries: number
  files: number
}

export const fetchBackup = () => getJson<BackupState>('/api/backup/settings')
export const saveBackup = (settings: BackupSettings) => putJson<BackupState>('/api/backup/settings', settings)
export const makeCopy = () => postJson<{ name: string }>('/api/backup/copies', {})
export const restore = (file: File) => postFile<Restored>('/api/restore', file, 'application/zip')
