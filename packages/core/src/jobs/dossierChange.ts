import { voidedEntries } from '../journal/index.ts'
import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import type { DossierRef } from '../dossiers/index.ts'
import type { Invalidated, NewEntry } from './model.ts'

/** Which version of each dossier a job works with. */
export interface JobRefs {
  machine: DossierRef
  kit: DossierRef
}

/** The versions a job works with now: those it was opened with, or the latest it was taken to. */
export function refsInForce(opened: JobRefs, entries: readonly NewEntry[]): JobRefs {
  if (!entries.some((entry) => entry.kind === 'dossier-changed')) return opened
  const voided = voidedEntries(entries)
  const refs = { ...opened }
  for (const entry of entries)
    if (entry.kind === 'dossier-changed' && !voided.has(entry.id) && refs[entry.dossier].hash === entry.replaces)
      refs[entry.dossier] = entry.to
  return refs
}

/** Every version a journal ever names, those it was opened with first. */
export function refsNamed(opened: JobRefs, entries: readonly NewEntry[]): DossierRef[] {
  return [
    opened.machine,
    opened.kit,
    ...entries.flatMap((entry) => (entry.kind === 'dossier-changed' ? [entry.to] : [])),
  ]
}

/**
 * Whether an entry may change which dossiers the job works with.
 * @param known entries it may undo, by id
 */
export function movesDossiers(entry: NewEntry, known: ReadonlyMap<string, NewEntry>): boolean {
  if (entry.kind === 'dossier-changed') return true
  if (entry.kind !== 'undo') return false
  const target = known.get(entry.undoes)
  return target !== undefined && movesDossiers(target, known)
}

/**
 * What stands in a journal and fits the version it was written on, but not another.
 * @param change the entry that would move the job from `before` to `after`
 */
export function invalidatedBy(
  before: JobDossiers,
  after: JobDossiers,
  entries: readonly NewEntry[],
  change: NewEntry,
): Invalidated[] {
  const held = new Set(replay(before, entries).held.map((item) => item.entry))
  return replay(after, [...entries, change]).held.filter((item) => !held.has(item.entry))
}
