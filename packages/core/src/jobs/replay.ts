import { applyEntry } from './applyEntry.ts'
import { checkReferences } from './checkReferences.ts'
import { currentTrim, type JobDossiers, type JobState, type JournalEntry, type NewEntry } from './model.ts'

/**
 * The state that follows from a journal in `seq` order. Never throws: what does not fit is held.
 * Pure and linear in the number of entries.
 */
export function replay(dossiers: JobDossiers, entries: readonly NewEntry[]): JobState {
  const voided = voidedEntries(entries)
  const state = freshState(dossiers)
  const moved = entries.some((entry) => entry.kind === 'dossier-changed')
  for (const entry of entries) {
    impliedByOlder(state, entry, voided)
    if (entry.kind === 'undo' || voided.has(entry.id)) continue
    // What was checked against one version may name what another does not have.
    const why = (moved && whatIsMissing(dossiers, entry)) || applyEntry(state, entry, dossiers)
    if (why !== null) state.held.push({ entry: entry.id, why })
  }
  return state
}

/** What an entry of an earlier version said without words: before set-up was a station of its own, waking included it. */
function impliedByOlder(state: JobState, entry: NewEntry | JournalEntry, voided: ReadonlySet<string>): void {
  if (!('v' in entry) || entry.v >= 2 || voided.has(entry.id)) return
  if (entry.kind === 'station-done' && entry.station === 'wake')
    state.stationsDone['set-up'] ??= { entry: entry.id, by: entry.by, at: entry.at }
}

function whatIsMissing(dossiers: JobDossiers, entry: NewEntry): string | null {
  return checkReferences(dossiers, entry, '')[0]?.message ?? null
}

/** Ids of entries that an undo has voided. An undo that is itself undone voids nothing. */
export function voidedEntries(entries: readonly NewEntry[]): Set<string> {
  const voided = new Set<string>()
  for (let i = entries.length - 1; i >= 0; i--) {
    const entry = entries[i]
    if (entry.kind === 'undo' && !voided.has(entry.id)) voided.add(entry.undoes)
  }
  return voided
}

export function freshState({ kit }: JobDossiers): JobState {
  const { rpm, load } = kit.trim ?? { rpm: [], load: [] }
  return {
    connections: [],
    disputes: [],
    stepsDone: {},
    stationsDone: {},
    parts: {},
    tools: {},
    routes: {},
    mounted: null,
    ties: {},
    covers: {},
    photos: [],
    timers: [],
    told: [],
    readings: [],
    notes: [],
    settings: {},
    lifted: {},
    irreversible: [],
    found: [],
    accepted: {},
    choices: {},
    power: 'on',
    logs: [],
    trim: {
      rpm,
      load,
      revisions: [{ entry: null, source: 'shipped', changed: 0, pct: rpm.map(() => load.map(() => 0)) }],
    },
    dossiers: { machine: null, kit: null },
    held: [],
  }
}

/** Table of the revision an entry made; the shipped one for null or an entry that is no longer live. */
export function trimOfRevision(state: JobState, entry: string | null): number[][] {
  return state.trim.revisions.find((revision) => revision.entry === entry)?.pct ?? currentTrim(state)
}
