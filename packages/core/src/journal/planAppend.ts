import { sameValue, type Problem } from '../shared/index.ts'
import type { AnyEntry, AnyState, Refusal, Stamps } from './model.ts'
import { isUndo, newlyHeld, voidedEntries, type ReplayLaws } from './replayEntries.ts'

export type AppendPlan<Entry> =
  | {
      kind: 'append'
      /** Entries to write, in order. */
      fresh: Entry[]
      /** For every entry of the batch: the seq it has already, or its place in `fresh`. */
      places: ({ id: string; seq: number } | { id: string; fresh: number })[]
    }
  | { kind: 'unknown'; problems: Problem[] }
  | { kind: 'conflict'; problems: (Problem & { dependents?: string[] })[] }

export interface AppendOptions<Context, Entry> {
  /** What a journal works with, where that may change; what is given unless said. */
  contextOf?: (entries: readonly Entry[]) => Context
  /** Who wrote it is the device's to say, not the entry's: a known id is the same entry whoever it names. */
  bound?: boolean
}

/** So many places of undoing in one batch are judged, each by one replay. */
export const mostUndoRuns = 50

export interface AppendLaws<Context, State extends AnyState, Entry extends AnyEntry, Place> {
  laws: ReplayLaws<Context, State, Entry, Place> & {
    gates?: readonly ((context: Context, state: State, entry: Entry) => Refusal[])[]
  }
  replay: (context: Context, entries: readonly Entry[]) => State
  refs: (context: Context, entry: Entry, path: string) => Problem[]
}

/**
 * Whether a batch may be appended, by the laws of the journal; all of it or none.
 * Known ids are resolved first. What happened always fits; what replaces a value must still find that value; undos must not pull away
 * what a live entry stands on (undos that stand side by side are judged as one); gates may bar.
 */
export function planAppend<Context, State extends AnyState, Entry extends AnyEntry, Place>(
  { laws, replay, refs }: AppendLaws<Context, State, Entry, Place>,
  context: Context,
  journal: readonly Entry[],
  batch: readonly Entry[],
  { contextOf = () => context, bound = false }: AppendOptions<Context, Entry> = {},
): AppendPlan<Entry> {
  const runs = batch.filter((entry, i) => isUndo(entry) && batch[i - 1]?.kind !== 'undo').length
  if (runs > mostUndoRuns)
    return unknown(
      'too-many-undos',
      'entries',
      `The batch undoes in ${runs} separate places; at most ${mostUndoRuns} can be judged at once. Put undos side by side, or send several batches.`,
    )
  const stored = new Map(journal.map((entry) => [entry.id, entry]))
  const fresh: Entry[] = []
  const freshAt = new Map<string, number>()
  const places: Extract<AppendPlan<Entry>, { kind: 'append' }>['places'] = []
  const working = [...journal]
  const byId = new Map(stored)
  let state: State | null = null
  const stateNow = (): State => (state ??= replay(context, working))
  let voided: Set<string> | null = null
  const voidedNow = (): Set<string> => (voided ??= voidedEntries(working))
  /** Path of the first of the undos that stand side by side here and are not judged yet. */
  let undoing: string | null = null
  const judgeUndos = (): AppendPlan<Entry> | null => {
    if (undoing === null) return null
    const path = undoing
    undoing = null
    const before = stateNow()
    state = replay(contextOf(working), working)
    const dependents = newlyHeld(before, state)
    if (dependents.length === 0) return null
    return conflict(
      'needed-by-others',
      path,
      `${dependents.length === 1 ? 'One later entry stands' : `${dependents.length} later entries stand`} on it. Undo them first, or all in one go.`,
      dependents,
    )
  }
  const refuse = (entry: Entry, path: string): AppendPlan<Entry> | null => {
    const problems = refs(context, entry, path)
    if (problems.length > 0) return { kind: 'unknown', problems }
    if (isUndo(entry)) {
      const target = byId.get(entry.undoes)
      if (!target) return unknown('unknown-reference', `${path}.undoes`, `There is no entry "${entry.undoes}" to undo.`)
      return voidedNow().has(target.id) ? conflict('stale-base', path, 'It was undone already.') : null
    }
    const own = laws.definitions.get(entry.kind)?.bars?.(context, stateNow(), entry)
    if (own) return conflict(own.code, path, own.message)
    for (const gate of laws.gates ?? []) {
      const refusals = gate(context, stateNow(), entry)
      if (refusals.length > 0)
        return { kind: 'conflict', problems: refusals.map(({ code, message }) => ({ code, path, message })) }
    }
    return null
  }
  for (const [i, entry] of batch.entries()) {
    const path = `entries.${i}`
    const old = stored.get(entry.id)
    const sent = freshAt.get(entry.id)
    const known = old ?? (sent === undefined ? undefined : fresh[sent])
    if (known) {
      if (!sameContent(known, entry, bound))
        return conflict('entry-id-reused', `${path}.id`, `The id "${entry.id}" stands for another entry already.`)
      places.push(old ? { id: entry.id, seq: seqOf(old) } : { id: entry.id, fresh: sent ?? 0 })
      continue
    }
    const refusal = (isUndo(entry) ? null : judgeUndos()) ?? refuse(entry, path)
    if (refusal) return refusal
    const before = stateNow()
    working.push(entry)
    byId.set(entry.id, entry)
    if (isUndo(entry)) {
      undoing ??= path
      // An undo voids its target; one of an undo brings back, which is worked out anew.
      if (byId.get(entry.undoes)?.kind === 'undo') voided = null
      else voidedNow().add(entry.undoes)
    } else {
      const definition = laws.definitions.get(entry.kind)
      const why = definition?.apply(before, entry, context) ?? null
      if (why !== null && definition?.replaces) return conflict('stale-base', path, why)
      if (why !== null) before.held.push({ entry: entry.id, why })
    }
    freshAt.set(entry.id, fresh.length)
    places.push({ id: entry.id, fresh: fresh.length })
    fresh.push(entry)
  }
  return judgeUndos() ?? { kind: 'append', fresh, places }
}

function seqOf(entry: AnyEntry & Partial<Stamps>): number {
  return entry.seq ?? 0
}

function sameContent(stored: AnyEntry, sent: AnyEntry, bound: boolean): boolean {
  const content = (entry: AnyEntry) => {
    const { by, ...rest } = clientFields(entry)
    return bound || by === undefined ? rest : { ...rest, by }
  }
  return sameValue(content(stored), content(sent))
}

/** An entry without what the store added. */
export function clientFields<Entry extends AnyEntry>(entry: Entry & Partial<Stamps>): Omit<Entry, keyof Stamps> {
  const { seq: _seq, receivedAt: _receivedAt, v: _v, ...fields } = entry
  return fields
}

function conflict(code: string, path: string, message: string, dependents?: string[]): AppendPlan<never> {
  return { kind: 'conflict', problems: [{ code, path, message, ...(dependents ? { dependents } : {}) }] }
}

function unknown(code: string, path: string, message: string): AppendPlan<never> {
  return { kind: 'unknown', problems: [{ code, path, message }] }
}
