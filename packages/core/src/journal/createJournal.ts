import type { Problem } from '../shared/index.ts'
import type { EntryDefinition } from './defineEntry.ts'
import type { AnyEntry, AnyState, Refusal } from './model.ts'
import { planAppend, type AppendOptions, type AppendPlan } from './planAppend.ts'
import { isUndo, newlyHeld, replayEntries, type ReplayLaws } from './replayEntries.ts'

export interface JournalForm<Context, State extends AnyState, Entry extends AnyEntry, Place> extends Omit<
  ReplayLaws<Context, State, Entry, Place>,
  'definitions'
> {
  /** Kinds of all capabilities. @throws where two have one name */
  entries: readonly EntryDefinition<Context, State, Entry, Place>[]
  /** Entries as they read in a context, where things have other names than when they were written. */
  read?: (context: Context, entries: readonly Entry[]) => readonly Entry[]
  /** What bars entries by what several capabilities know together. */
  gates?: readonly ((context: Context, state: State, entry: Entry) => Refusal[])[]
}

/** The laws of a journal over a list of kinds of entries: what an entry may name, replay, appending and undoing. */
export function createJournal<Context, State extends AnyState, Entry extends AnyEntry, Place = unknown>(
  form: JournalForm<Context, State, Entry, Place>,
) {
  const definitions = new Map(form.entries.map((definition) => [definition.kind, definition]))
  if (definitions.size !== form.entries.length || definitions.has('undo'))
    throw new Error('journal: two kinds of entries have one name')
  const laws = { ...form, definitions }
  const replay = (context: Context, entries: readonly Entry[]): State =>
    replayEntries(laws, context, form.read?.(context, entries) ?? entries)
  const definitionOf = (entry: Entry) => (isUndo(entry) ? undefined : definitions.get(entry.kind))
  const refs = (context: Context, entry: Entry, path: string): Problem[] =>
    (definitionOf(entry)?.refs?.(context, entry) ?? []).map((problem) => ({
      ...problem,
      path: [path, problem.path].filter((part) => part !== '').join('.'),
    }))
  const undoDependents = (context: Context, working: readonly Entry[], undo: Entry): string[] => {
    return newlyHeld(replay(context, working), replay(context, [...working, undo]))
  }
  return {
    kinds: [...definitions.keys(), 'undo'],
    replay,
    /** What an entry names that is not there. @param path of the entry within the request */
    checkReferences: refs,
    /** Takes one live entry into the state, in place. @returns null, or why it does not fit; the state is then unchanged */
    apply: (state: State, entry: Entry, context: Context): string | null =>
      definitionOf(entry)?.apply(state, entry, context) ?? null,
    planAppend: (
      context: Context,
      journal: readonly Entry[],
      batch: readonly Entry[],
      options?: AppendOptions<Context, Entry>,
    ): AppendPlan<Entry> => planAppend({ laws, replay, refs }, context, journal, batch, options),
    /** Live entries that fit now and would no longer fit once this undo is appended, latest first. */
    dependentsOf: undoDependents,
    /**
     * Everything that has to be undone to undo one entry, latest first, that entry last.
     * Undoing the dependents first may free further ones; all are found.
     */
    undoBatch(context: Context, entries: readonly Entry[], target: string): string[] {
      const undone: string[] = []
      let working = [...entries]
      for (let round = 0; round <= entries.length; round++) {
        const dependents = undoDependents(context, working, undoOf<Entry>(`probe-${round}`, target))
        if (dependents.length === 0) break
        for (const id of dependents) {
          working = [...working, undoOf<Entry>(`probe-${round}-${id}`, id)]
          undone.push(id)
        }
      }
      return [...undone, target]
    },
    /** The station an entry belongs to, where it says so by itself. */
    placeOf: (entry: Entry, context: Context): Place | null => definitionOf(entry)?.place?.(entry, context) ?? null,
    /** One line of the journal. */
    words: (entry: Entry, context: Context): string =>
      isUndo(entry) ? 'Undone' : (definitionOf(entry)?.words(entry, context) ?? entry.kind),
  }
}

function undoOf<Entry extends AnyEntry>(id: string, undoes: string): Entry {
  const undo: AnyEntry & { undoes: string } = { id, kind: 'undo', undoes }
  // oxlint-disable-next-line typescript/consistent-type-assertions -- every journal knows undo
  return undo as unknown as Entry
}
