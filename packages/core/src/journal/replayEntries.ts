import type { EntryDefinition } from './defineEntry.ts'
import type { AnyEntry, AnyState } from './model.ts'

/** Kinds of entries by name. */
export type Definitions<Context, State, Entry extends AnyEntry, Place> = ReadonlyMap<
  string,
  EntryDefinition<Context, State, Entry, Place>
>

export interface ReplayLaws<Context, State extends AnyState, Entry extends AnyEntry, Place> {
  definitions: Definitions<Context, State, Entry, Place>
  fresh: (context: Context) => State
  /** What an entry of an earlier version said without words; also called for those that are undone, with `live` false. */
  implied?: (state: State, entry: Entry, live: boolean) => void
}

/**
 * The state that follows from entries in order. Never throws: what does not fit is held, the state as it was before it.
 * Linear in the number of entries.
 */
export function replayEntries<Context, State extends AnyState, Entry extends AnyEntry, Place>(
  { definitions, fresh, implied }: ReplayLaws<Context, State, Entry, Place>,
  context: Context,
  entries: readonly Entry[],
): State {
  const voided = voidedEntries(entries)
  const state = fresh(context)
  const moved = entries.some((entry) => definitions.get(entry.kind)?.movesContext)
  for (const entry of entries) {
    const live = !voided.has(entry.id)
    implied?.(state, entry, live)
    if (!live || isUndo(entry)) continue
    const definition = definitions.get(entry.kind)
    // What was checked against one version may name what another does not have.
    const missing = moved ? (definition?.refs?.(context, entry)[0]?.message ?? null) : null
    const why =
      missing ?? (definition ? definition.apply(state, entry, context) : 'Nothing here knows this kind of entry.')
    if (why !== null) state.held.push({ entry: entry.id, why })
  }
  return state
}

/** Ids of entries that an undo has voided. An undo that is itself undone voids nothing. */
export function voidedEntries(entries: readonly AnyEntry[]): Set<string> {
  const voided = new Set<string>()
  for (let i = entries.length - 1; i >= 0; i--) {
    const entry = entries[i]
    if (isUndo(entry) && !voided.has(entry.id)) voided.add(entry.undoes)
  }
  return voided
}

/** The newest entry of a device that stands: what somebody at it would take back first; null when there is none. */
export function lastOfDevice<Entry extends AnyEntry>(
  entries: readonly Entry[],
  voided: ReadonlySet<string>,
  device: string,
): Entry | null {
  return entries.findLast((entry) => entry.device === device && !isUndo(entry) && !voided.has(entry.id)) ?? null
}

export function isUndo(entry: AnyEntry): entry is AnyEntry & { kind: 'undo'; undoes: string } {
  return entry.kind === 'undo'
}

/** Entries held after that were not held before, latest first. */
export function newlyHeld(before: AnyState, after: AnyState): string[] {
  const known = new Set(before.held.map((held) => held.entry))
  return after.held
    .map((held) => held.entry)
    .filter((id) => !known.has(id))
    .reverse()
}
