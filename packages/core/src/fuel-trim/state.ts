import type { Kit } from '../dossiers/index.ts'
import type { Done } from '../journal/index.ts'

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

export interface ImportedLog extends Done {
  log: string
  name: string
  rows: number
  bytes: number
  mapping: LogMapping
  /** Entry that made the table in force on the ride; null: the table the kit ships with. */
  tableInForce: string | null
  /** Accepted trim that came from this log, if any. */
  usedBy: string | null
}

/** Rides and the trim table, every revision of it. */
export interface TrimState {
  logs: ImportedLog[]
  trim: { rpm: number[]; load: number[]; revisions: TrimRevision[] }
}

export function freshTrim({ kit }: { kit: Kit }): TrimState {
  const { rpm, load } = kit.trim ?? { rpm: [], load: [] }
  return {
    logs: [],
    trim: {
      rpm,
      load,
      revisions: [{ entry: null, source: 'shipped', changed: 0, pct: rpm.map(() => load.map(() => 0)) }],
    },
  }
}

/** The trim table as it is now. */
export function currentTrim(state: Pick<TrimState, 'trim'>): number[][] {
  return state.trim.revisions[state.trim.revisions.length - 1].pct
}

/** Table of the revision an entry made; the shipped one for null or an entry that is no longer live. */
export function trimOfRevision(state: Pick<TrimState, 'trim'>, entry: string | null): number[][] {
  return state.trim.revisions.find((revision) => revision.entry === entry)?.pct ?? currentTrim(state)
}
