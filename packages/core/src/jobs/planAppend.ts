import { contentHash, type Problem } from '../shared/index.ts'
import { applyEntry } from './applyEntry.ts'
import { checkReferences } from './checkReferences.ts'
import { gatedStations, jobFindings, openStops } from './jobFindings.ts'
import type { JobDossiers, JobState, JournalEntry, NewEntry } from './model.ts'
import { replay, voidedEntries } from './replay.ts'
import { trayBars } from './tray.ts'

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

/**
 * Whether a batch may be appended, by the laws of the journal; all of it or none.
 * Known ids are resolved first. What happened (notes, readings, ticks) always fits; what replaces a value must still
 * find that value; an undo must not pull away what a live entry stands on; an open stop bars wake, close-up and hand-back.
 */
export function planAppend(
  dossiers: JobDossiers,
  journal: readonly JournalEntry[],
  batch: readonly NewEntry[],
): AppendPlan {
  const bySeq = new Map(journal.map((entry) => [entry.id, entry]))
  const fresh: NewEntry[] = []
  const places: Extract<AppendPlan, { kind: 'append' }>['places'] = []
  let working: NewEntry[] | undefined
  let state: JobState | undefined
  for (const [i, entry] of batch.entries()) {
    const path = `entries.${i}`
    const stored = bySeq.get(entry.id)
    const sent = fresh.findIndex((candidate) => candidate.id === entry.id)
    const known = stored ?? fresh[sent]
    if (known) {
      if (!sameContent(known, entry))
        return conflict('entry-id-reused', `${path}.id`, `The id "${entry.id}" stands for another entry already.`)
      places.push(stored ? { id: entry.id, seq: stored.seq } : { id: entry.id, fresh: sent })
      continue
    }
    const unknown = checkReferences(dossiers, entry, path)
    if (unknown.length > 0) return { kind: 'unknown', problems: unknown }
    working ??= [...journal]
    state ??= replay(dossiers, working)
    const refusal = refuse(dossiers, working, state, entry, path)
    if (refusal) return refusal
    working.push(entry)
    if (entry.kind === 'undo') state = replay(dossiers, working)
    else {
      const why = applyEntry(state, entry, dossiers)
      if (why !== null && isReplacing(entry)) return conflict('stale-base', path, why)
      if (why !== null) state.held.push({ entry: entry.id, why })
    }
    places.push({ id: entry.id, fresh: fresh.length })
    fresh.push(entry)
  }
  return { kind: 'append', fresh, places }
}

function isReplacing(entry: NewEntry): boolean {
  return (
    entry.kind === 'setting' ||
    entry.kind === 'choice' ||
    entry.kind === 'routed' ||
    entry.kind === 'trim-accepted' ||
    entry.kind === 'trim-loaded'
  )
}

function refuse(
  dossiers: JobDossiers,
  working: readonly NewEntry[],
  state: JobState,
  entry: NewEntry,
  path: string,
): AppendPlan | null {
  if (entry.kind === 'undo') {
    const target = working.find((candidate) => candidate.id === entry.undoes)
    if (!target)
      return {
        kind: 'unknown',
        problems: [
          {
            code: 'unknown-reference',
            path: `${path}.undoes`,
            message: `There is no entry "${entry.undoes}" to undo.`,
          },
        ],
      }
    if (voidedEntries(working).has(target.id)) return conflict('stale-base', path, 'It was undone already.')
    const dependents = dependentsOf(dossiers, working, entry)
    if (dependents.length > 0)
      return conflict(
        'needed-by-others',
        path,
        `${dependents.length === 1 ? 'One later entry stands' : `${dependents.length} later entries stand`} on it. Undo them first, or all in one go.`,
        dependents,
      )
  }
  if (entry.kind === 'station-done' && gatedStations.includes(entry.station)) {
    const stops = openStops(jobFindings(dossiers, state))
    if (stops.length > 0)
      return {
        kind: 'conflict',
        problems: stops.map((stop) => ({ code: 'stop-open', path, message: `${stop.reason} ${stop.remedy}` })),
      }
  }
  if (entry.kind === 'station-done') {
    const why = trayBars(dossiers, state, entry.station)
    if (why !== null) return conflict('tray-not-empty', path, why)
  }
  if (entry.kind === 'stop-lifted' && !jobFindings(dossiers, state).some((finding) => finding.key === entry.finding))
    return conflict('no-such-finding', path, 'There is no such stop now. It may have been mended.')
  return null
}

/** Live entries that fit now and would no longer fit once this undo is appended, latest first. */
export function dependentsOf(dossiers: JobDossiers, working: readonly NewEntry[], undo: NewEntry): string[] {
  const before = new Set(replay(dossiers, working).held.map((held) => held.entry))
  const after = replay(dossiers, [...working, undo]).held
  return after
    .map((held) => held.entry)
    .filter((id) => !before.has(id))
    .reverse()
}

function sameContent(stored: NewEntry, sent: NewEntry): boolean {
  return contentHash(clientFields(stored)) === contentHash(clientFields(sent))
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
