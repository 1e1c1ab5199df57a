import type { DossierPair, Station } from '../dossiers/index.ts'
import { createJournal, type EntryDefinition } from '../journal/index.ts'
import { capabilities } from './capabilities.ts'
import type { Capability } from './capability.ts'
import { jobGates } from './gates.ts'
import type { JournalEntry, NewEntry } from './model.ts'
import type { JobDossiers, JobState } from './state.ts'

/** The journal of a job over a list of capabilities. */
export function journalOf(list: readonly Capability[]) {
  return createJournal<JobDossiers, JobState, NewEntry, Station>({
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- each definition is handed only entries of its own kind
    entries: list.flatMap(({ entries }) => entries) as unknown as EntryDefinition<
      JobDossiers,
      JobState,
      NewEntry,
      Station
    >[],
    fresh: (dossiers) => freshState(dossiers, list),
    implied: impliedByOlder,
    gates: jobGates(list),
  })
}

/** A job of which nothing is written down. */
export function freshState(dossiers: DossierPair, list: readonly Capability[] = capabilities): JobState {
  const slices = list.map(({ fresh }) => fresh(dossiers))
  const decided = slices.map((slice) => ('decided' in slice ? slice.decided : {}))
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the state is what its slices make
  return Object.assign({}, ...slices, { decided: Object.assign({}, ...decided) }) as JobState
}

/** What an entry of an earlier version said without words: before set-up was a station of its own, waking included it. */
function impliedByOlder(state: JobState, entry: NewEntry | JournalEntry, live: boolean): void {
  if (!('v' in entry) || entry.v >= 2 || !live) return
  if (entry.kind === 'station-done' && entry.station === 'wake')
    state.stationsDone['set-up'] ??= { entry: entry.id, by: entry.by, at: entry.at }
}

export const jobJournal = journalOf(capabilities)
export const { replay, planAppend, checkReferences, dependentsOf, undoBatch } = jobJournal
