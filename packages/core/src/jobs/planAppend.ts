import { contentHash, type Problem } from '../shared/index.ts'
import { applyEntry } from './applyEntry.ts'
import { checkReferences } from './checkReferences.ts'
import { jobFindings } from './jobFindings.ts'
import type { JobDossiers, JobState, JournalEntry, NewEntry } from './model.ts'
import { replay, voidedEntries } from './replay.ts'
import { stationBars } from './stationProgress.ts'
import { openAsks, openWait, reasonAsked, reasonIsGiven, stepAsks } from './stepAsks.ts'
import { trimBasis } from './trimBasis.ts'

export type AppendPlan =
  | {
      kind: 'append'
      /** Entries to write, in order. */
      fresh: NewEntry[]
      /** For every entry of the batch: the seq it has already, or its place in `fresh`. */
      places: ({ id: string; seq: number } | { id: string; fresh: number })[]
    }
  | { kind: 'unknown'; problems: Problem[] }
  | { kind: 'conflict'; problems: (Problem & { dependents?: string[] })[] }

export interface AppendOptions {
  /** The dossiers a journal works with, where that may change; those given unless said. */
  dossiersOf?: (entries: readonly NewEntry[]) => JobDossiers
  /** Who wrote it is the device's to say, not the entry's: a known id is the same entry whoever it names. */
  bound?: boolean
}

/** So many places of undoing in one batch are judged, each by one replay. */
export const mostUndoRuns = 50

/**
 * Whether a batch may be appended, by the laws of the journal; all of it or none.
 * Known ids are resolved first. What happened (notes, readings, ticks) always fits; what replaces a value must still
 * find that value; undos must not pull away what a live entry stands on (undos that stand side by side are judged as one);
 * an open stop bars wake, close-up and hand-back.
 */
export function planAppend(
  dossiers: JobDossiers,
  journal: readonly JournalEntry[],
  batch: readonly NewEntry[],
  { dossiersOf = () => dossiers, bound = false }: AppendOptions = {},
): AppendPlan {
  const runs = batch.filter((entry, i) => entry.kind === 'undo' && batch[i - 1]?.kind !== 'undo').length
  if (runs > mostUndoRuns)
    return unknown(
      'too-many-undos',
      'entries',
      `The batch undoes in ${runs} separate places; at most ${mostUndoRuns} can be judged at once. Put undos side by side, or send several batches.`,
    )
  const stored = new Map(journal.map((entry) => [entry.id, entry]))
  const fresh: NewEntry[] = []
  const freshAt = new Map<string, number>()
  const places: Extract<AppendPlan, { kind: 'append' }>['places'] = []
  const working: Working = { dossiers, entries: [...journal], byId: new Map(stored) }
  /** Path of the first of the undos that stand side by side here and are not judged yet. */
  let undoing: string | null = null
  const judgeUndos = (): AppendPlan | null => {
    if (undoing === null) return null
    const path = undoing
    undoing = null
    const before = new Set(stateOf(working).held.map((held) => held.entry))
    working.state = replay(dossiersOf(working.entries), working.entries)
    const dependents = newlyHeld(before, working.state)
    if (dependents.length === 0) return null
    return conflict(
      'needed-by-others',
      path,
      `${dependents.length === 1 ? 'One later entry stands' : `${dependents.length} later entries stand`} on it. Undo them first, or all in one go.`,
      dependents,
    )
  }
  for (const [i, entry] of batch.entries()) {
    const path = `entries.${i}`
    const old = stored.get(entry.id)
    const sent = freshAt.get(entry.id)
    const known = old ?? (sent === undefined ? undefined : fresh[sent])
    if (known) {
      if (!sameContent(known, entry, bound))
        return conflict('entry-id-reused', `${path}.id`, `The id "${entry.id}" stands for another entry already.`)
      places.push(old ? { id: entry.id, seq: old.seq } : { id: entry.id, fresh: sent ?? 0 })
      continue
    }
    const refusal =
      (entry.kind === 'undo' ? null : judgeUndos()) ?? references(dossiers, entry, path) ?? refuse(working, entry, path)
    if (refusal) return refusal
    stateOf(working)
    working.entries.push(entry)
    working.byId.set(entry.id, entry)
    if (entry.kind === 'undo') {
      undoing ??= path
      noteVoided(working, entry.undoes)
    } else {
      const state = stateOf(working)
      const why = applyEntry(state, entry, dossiers)
      if (why !== null && isReplacing(entry)) return conflict('stale-base', path, why)
      if (why !== null) state.held.push({ entry: entry.id, why })
    }
    freshAt.set(entry.id, fresh.length)
    places.push({ id: entry.id, fresh: fresh.length })
    fresh.push(entry)
  }
  return judgeUndos() ?? { kind: 'append', fresh, places }
}

/** The journal with what of the batch has been taken so far. */
interface Working {
  dossiers: JobDossiers
  entries: NewEntry[]
  byId: Map<string, NewEntry>
  state?: JobState
  voided?: Set<string>
}

function stateOf(working: Working): JobState {
  working.state ??= replay(working.dossiers, working.entries)
  return working.state
}

function voidedOf(working: Working): Set<string> {
  working.voided ??= voidedEntries(working.entries)
  return working.voided
}

/** An undo voids its target; one of an undo brings back, which is worked out anew. */
function noteVoided(working: Working, target: string): void {
  if (working.byId.get(target)?.kind === 'undo') delete working.voided
  else voidedOf(working).add(target)
}

function references(dossiers: JobDossiers, entry: NewEntry, path: string): AppendPlan | null {
  const problems = checkReferences(dossiers, entry, path)
  return problems.length > 0 ? { kind: 'unknown', problems } : null
}

function isReplacing(entry: NewEntry): boolean {
  return (
    entry.kind === 'setting' ||
    entry.kind === 'dossier-changed' ||
    entry.kind === 'choice' ||
    entry.kind === 'routed' ||
    entry.kind === 'trim-accepted' ||
    entry.kind === 'trim-loaded'
  )
}

function refuse(working: Working, entry: NewEntry, path: string): AppendPlan | null {
  const { dossiers } = working
  if (entry.kind === 'undo') {
    const target = working.byId.get(entry.undoes)
    if (!target) return unknown('unknown-reference', `${path}.undoes`, `There is no entry "${entry.undoes}" to undo.`)
    if (voidedOf(working).has(target.id)) return conflict('stale-base', path, 'It was undone already.')
  }
  const bars = entry.kind === 'station-done' ? stationBars(dossiers, stateOf(working), entry.station) : []
  const stops = bars.filter((bar) => bar.code === 'stop-open')
  if (stops.length > 0)
    return { kind: 'conflict', problems: stops.map(({ code, says }) => ({ code, path, message: says })) }
  if (entry.kind === 'step-done') {
    const step = [...dossiers.machine.steps, ...dossiers.kit.steps].find((item) => item.id === entry.step)
    const asks = step && stepAsks(stateOf(working), step, entry)
    if (asks) return conflict('step-asks', path, `${asks} Give it, or say why it is done without.`)
  }
  if ((entry.kind === 'step-done' || entry.kind === 'cover-off') && !reasonIsGiven(entry.without)) {
    const wait = openWait(dossiers, stateOf(working), entry)
    if (wait !== null) return conflict('wait-open', path, `${wait} Wait, or say why not.`)
  }
  if ((entry.kind === 'trim-accepted' || entry.kind === 'trim-loaded') && !trimBasis(dossiers))
    return conflict(
      'no-trim',
      path,
      `There is nothing to trim the ${dossiers.machine.model} by: no mixture sensor tells it.`,
    )
  if (
    entry.kind === 'left-off' &&
    dossiers.machine.covers?.some((cover) => cover.id === entry.cover && cover.opensFuel)
  )
    return conflict(
      'fuel-open',
      path,
      'Its fuel line is open: it goes back on before anything else, whatever the reason.',
    )
  if (entry.kind === 'stop-lifted' && !reasonIsGiven(entry.reason)) return conflict('reason-short', path, reasonAsked)
  if (entry.kind === 'station-done') {
    const open = openAsks(dossiers, stateOf(working), entry.station)
    if (open.length > 0)
      return conflict(
        'step-asks',
        path,
        `Nothing is written down yet for ${open.map((step) => step.reading?.quantity ?? step.asks?.words ?? step.id).join('; ')}.`,
      )
  }
  const [tray] = bars
  if (tray) return conflict(tray.code, path, tray.says)
  if (
    entry.kind === 'stop-lifted' &&
    !jobFindings(dossiers, stateOf(working)).some((finding) => finding.key === entry.finding)
  )
    return conflict('no-such-finding', path, 'There is no such stop now. It may have been mended.')
  return null
}

/** Entries held now that were not before, latest first. */
function newlyHeld(before: ReadonlySet<string>, after: JobState): string[] {
  return after.held
    .map((held) => held.entry)
    .filter((id) => !before.has(id))
    .reverse()
}

/** Live entries that fit now and would no longer fit once this undo is appended, latest first. */
export function dependentsOf(dossiers: JobDossiers, working: readonly NewEntry[], undo: NewEntry): string[] {
  const before = new Set(replay(dossiers, working).held.map((held) => held.entry))
  return newlyHeld(before, replay(dossiers, [...working, undo]))
}

function sameContent(stored: NewEntry, sent: NewEntry, bound = false): boolean {
  const content = (entry: NewEntry) => {
    const { by, ...rest } = clientFields(entry)
    return contentHash(bound || by === undefined ? rest : { ...rest, by })
  }
  return content(stored) === content(sent)
}

/** An entry without what the server added. */
export function clientFields(entry: NewEntry | JournalEntry): NewEntry {
  if (!('seq' in entry)) return entry
  const { seq: _seq, receivedAt: _receivedAt, v: _v, ...fields } = entry
  return fields
}

function conflict(code: string, path: string, message: string, dependents?: string[]): AppendPlan {
  return { kind: 'conflict', problems: [{ code, path, message, ...(dependents ? { dependents } : {}) }] }
}

function unknown(code: string, path: string, message: string): AppendPlan {
  return { kind: 'unknown', problems: [{ code, path, message }] }
}
