import type { Kit, KitEndId, Machine, Station, TapMethod } from '../dossiers/index.ts'
import type { ConnectionTarget, FindingPlace, PairSide } from '../wiring/index.ts'

/** A cell of a trim table as it was and as it is to be, %. Axis values, not indices. */
export interface CellChange {
  rpm: number
  load: number
  old: number
  new: number
}

/** How a log was read, so that it can be read the same way again. */
export interface LogMapping {
  columns: Record<string, string>
  units: Record<string, string>
  dropUnreadable: boolean
}

export type EntryBody =
  | { kind: 'note'; text: string; about?: FindingPlace & { station?: Station } }
  | { kind: 'step-done'; step: string }
  | { kind: 'part-checked'; part: string; state: 'present' | 'missing' | 'not used' }
  | { kind: 'reading'; quantity: string; value: number; unit: string; step?: string; about?: FindingPlace }
  | { kind: 'connected'; kitEnd: KitEndId; to: ConnectionTarget; method?: TapMethod }
  | { kind: 'disconnected'; kitEnd: KitEndId; side?: PairSide }
  | { kind: 'tugged'; kitEnd: KitEndId }
  | { kind: 'station-done'; station: Station }
  | { kind: 'stop-lifted'; finding: string; reason: string }
  | { kind: 'setting'; setting: string; value: string; replaces: string | null }
  | {
      kind: 'log-imported'
      log: string
      name: string
      rows: number
      bytes: number
      mapping: LogMapping
      /** Entry that made the table in force on the ride; null: the table the kit ships with. */
      tableInForce: string | null
    }
  | {
      kind: 'trim-accepted'
      log: string
      fitVersion: number
      options: { gain: number; maxStepPct: number; delaySeconds: number }
      cells: CellChange[]
    }
  | { kind: 'trim-loaded'; name: string; cells: CellChange[] }
  | { kind: 'undo'; undoes: string }

export type EntryKind = EntryBody['kind']

/** What a client sends. */
export type NewEntry = { id: string; at?: string; by?: string; device?: string } & EntryBody

/** What the journal holds. Order is `seq`, never `at`. */
export type JournalEntry = NewEntry & { seq: number; receivedAt: string; v: number }

/** The version entries are written in. Older ones are upcast when read. */
export const entryVersion = 1

/** Dossiers a job points at, the machine composed with its variant. */
export interface JobDossiers {
  machine: Machine
  kit: Kit
}

export interface MadeConnection {
  entry: string
  kitEnd: KitEndId
  to: ConnectionTarget
  method?: TapMethod
  tugged: boolean
  by?: string
  at?: string
}

export interface TrimRevision {
  /** Entry that made it; null: the table the kit ships with. */
  entry: string | null
  source: 'shipped' | 'ride' | 'file'
  log?: string
  name?: string
  changed: number
  by?: string
  at?: string
  pct: number[][]
}

export interface Done {
  entry: string
  by?: string
  at?: string
}

/** Everything that follows from the journal. Plain JSON. */
export interface JobState {
  connections: MadeConnection[]
  /** Halves for which two people wrote down different places without taking it apart between. */
  disputes: { kitEnd: KitEndId; entries: [string, string] }[]
  stepsDone: Record<string, Done>
  stationsDone: Record<string, Done>
  parts: Record<string, Done & { state: 'present' | 'missing' | 'not used' }>
  readings: (Done & { quantity: string; value: number; unit: string; step?: string; about?: FindingPlace })[]
  notes: (Done & { text: string; about?: FindingPlace & { station?: Station } })[]
  settings: Record<string, Done & { value: string }>
  lifted: Record<string, Done & { reason: string }>
  logs: (Done & {
    log: string
    name: string
    rows: number
    bytes: number
    mapping: LogMapping
    tableInForce: string | null
    /** Accepted trim that came from this log, if any. */
    usedBy: string | null
  })[]
  trim: { rpm: number[]; load: number[]; revisions: TrimRevision[] }
  /** Entries that were true when written but no longer fit what is there. */
  held: { entry: string; why: string }[]
}

/** The trim table as it is now. */
export function currentTrim(state: JobState): number[][] {
  return state.trim.revisions[state.trim.revisions.length - 1].pct
}
