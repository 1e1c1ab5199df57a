import type { JournalEntry, NewEntry } from '@tidy-badger/core/jobs'
import type { JobWithDossiers } from './api.ts'

/** Why a batch did not get through, in the server's words. */
export interface BatchProblem {
  code: string
  message: string
}

/**
 * Entries written here and not yet with the server. *waiting*: to be sent, now or after `notBefore`; *refused*: by the laws of
 * the journal, until the person decides; *lost*: the yard had them and lacks them since it was restored.
 */
export interface UnsentBatch {
  key: number
  /** Head the person saw. */
  base: number
  entries: NewEntry[]
  state: 'waiting' | 'refused' | 'lost'
  problems: BatchProblem[]
  /** How often it was tried in vain since it last got anywhere. */
  tries: number
  /** Not tried before, ms since 1970. */
  notBefore: number
  /** Sent as it was, whoever wrote it: the yard had it before. */
  again: boolean
}

export interface KeptJournal {
  head: number
  entries: JournalEntry[]
  /** Which store it came from; none with journals kept before stores had names. */
  yard: string | null
}

export interface JournalState {
  jobId: string | null
  job: JobWithDossiers | null
  entries: JournalEntry[]
  head: number
  yard: string | null
  unsent: UnsentBatch[]
  /** Writes under way to this device's store: not in `unsent` yet. */
  writing: number
  link: 'up' | 'down' | 'unpaired'
  failure: string | null
}

/** What the journal asks of the server. */
export interface JournalHttp {
  job: (id: string) => Promise<JobWithDossiers>
  /** @returns also the name of the store, and the hashes of the dossiers in force, where the server says them */
  journal: (
    id: string,
    after: number,
  ) => Promise<{ head: number; entries: JournalEntry[]; yard: string | null; dossiers: string | null }>
  append: (id: string, body: { base: number; entries: NewEntry[]; again?: boolean }) => Promise<unknown>
  putBytes: (path: string, bytes: Blob) => Promise<void>
}

/** What the journal asks of the device it runs on; shared by all tabs. */
export interface JournalKeep {
  readJournal: (job: string) => Promise<KeptJournal | null>
  writeJournal: (job: string, journal: KeptJournal) => Promise<void>
  readUnsent: (job: string) => Promise<UnsentBatch[]>
  addUnsent: (job: string, batch: Omit<UnsentBatch, 'key'>) => Promise<number>
  changeUnsent: (job: string, batch: UnsentBatch) => Promise<void>
  dropUnsent: (key: number) => Promise<void>
  readBytes: (kind: 'logs' | 'photos', hash: string) => Promise<Blob | undefined>
  dropPhoto: (hash: string) => Promise<void>
}

export interface JournalDeps {
  http: JournalHttp
  store: JournalKeep
  now: () => number
  id: () => string
  /** Who writes here, and on what. */
  writer: () => { person: string | null; device: string }
  /** Calls back after so long, ms. @returns cancel */
  later: (ms: number, call: () => void) => () => void
  /** Tells the other tabs of this device that something of a job changed here. */
  tell: (job: string) => void
}
