import { isJoined, ownMembers, type DossierPair, type Station } from '../dossiers/index.ts'
import { createJournal, type AppendOptions, type AppendPlan, type EntryDefinition } from '../journal/index.ts'
import { capabilities } from './capabilities.ts'
import type { Capability } from './capability.ts'
import { jobGates } from './gates.ts'
import type { JournalEntry, NewEntry } from './model.ts'
import { namedForKits } from './namedForKits.ts'
import type { JobDossiers, JobState } from './state.ts'

/** The journal of a job over a list of capabilities. */
export function journalOf(list: readonly Capability[]) {
  const journal = createJournal<JobDossiers, JobState, NewEntry, Station>({
    // oxlint-disable-next-line typescript/consistent-type-assertions -- each definition is handed only entries of its own kind
    entries: list.flatMap(({ entries }) => entries) as unknown as EntryDefinition<
      JobDossiers,
      JobState,
      NewEntry,
      Station
    >[],
    fresh: (dossiers) => freshState(dossiers, list),
    implied: impliedByOlder,
    gates: jobGates(list),
    read: inTheirNames,
  })
  return {
    ...journal,
    /** Entries of before a kit came or went mean what they meant: they are judged, and written down, by the names of now. */
    planAppend: (
      dossiers: JobDossiers,
      entries: readonly NewEntry[],
      batch: readonly NewEntry[],
      options?: AppendOptions<JobDossiers, NewEntry>,
    ): AppendPlan<NewEntry> => {
      if (!mayBeNamedOtherwise(dossiers, [...entries, ...batch]))
        return journal.planAppend(dossiers, entries, batch, options)
      const named = (list: readonly NewEntry[]) => list.map((entry) => namedForKits(dossiers.kit, entry))
      return journal.planAppend(dossiers, named(entries), named(batch), options)
    },
  }
}

/** Entries by the names the job has for its kits' things; as they are where no kit came or went. */
function inTheirNames(dossiers: JobDossiers, entries: readonly NewEntry[]): readonly NewEntry[] {
  return mayBeNamedOtherwise(dossiers, entries) ? entries.map((entry) => namedForKits(dossiers.kit, entry)) : entries
}

/** A job of which nothing is written down. */
export function freshState(dossiers: DossierPair, list: readonly Capability[] = capabilities): JobState {
  const slices = list.map(({ fresh }) => fresh(dossiers))
  const decided = slices.map((slice) => ('decided' in slice ? slice.decided : {}))
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the state is what its slices make
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

/** Where a kit came or went, and where the only kit of a job stands beside others that were there: it may be called by its plain names. */
function mayBeNamedOtherwise({ kit }: JobDossiers, entries: readonly NewEntry[]): boolean {
  if (isJoined(kit) && ownMembers(kit).length === 1) return true
  return entries.some(({ kind }) => kind === 'kit-added' || kind === 'kit-dropped')
}
