import { voidedEntries } from '../journal/index.ts'
import { kitKeys, type DossierRef } from '../dossiers/index.ts'
import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import type { Invalidated, NewEntry } from './model.ts'

/** Which version of each dossier a job works with. */
export interface JobRefs {
  machine: DossierRef
  kit: DossierRef
  /** Kits beyond the first, in order. */
  more?: DossierRef[]
  /** Kits that were in the machine before. */
  present?: DossierRef[]
}

/** All kits of a job, in order. */
export function kitRefs({ kit, more = [] }: JobRefs): DossierRef[] {
  return [kit, ...more]
}

/** Kits by what each is called in the job. */
export function keyedKits(refs: JobRefs): { key: string; ref: DossierRef }[] {
  const { present = [] } = refs
  const all = [...present, ...kitRefs(refs)]
  if (all.length === 1) return all.map((ref) => ({ key: ref.id, ref }))
  const keys = kitKeys(all.map(({ id }) => id))
  return all.map((ref, i) => ({ key: keys[i] ?? ref.id, ref })).slice(present.length)
}

const moving = new Set<string>(['dossier-changed', 'kit-added', 'kit-dropped'])

/** The versions a job works with now: those it was opened with, or the latest it was taken to, with kits that came and without those that went. */
export function refsInForce(opened: JobRefs, entries: readonly NewEntry[]): JobRefs {
  if (!entries.some((entry) => moving.has(entry.kind))) return opened
  const voided = voidedEntries(entries)
  let refs = opened
  for (const entry of entries) if (!voided.has(entry.id)) refs = movedBy(refs, entry) ?? refs
  return refs
}

/** The dossiers once an entry is in; null where it moves none. */
function movedBy(refs: JobRefs, entry: NewEntry): JobRefs | null {
  switch (entry.kind) {
    case 'dossier-changed': {
      if (entry.dossier === 'machine')
        return refs.machine.hash === entry.replaces ? { ...refs, machine: entry.to } : null
      const kits = kitRefs(refs)
      const at = kits.findIndex(({ hash }) => hash === entry.replaces)
      return at < 0 ? null : withKits(refs, kits.with(at, entry.to))
    }
    case 'kit-added':
      return withKits(refs, [...kitRefs(refs), entry.kit])
    case 'kit-dropped': {
      const left = keyedKits(refs).filter(({ key }) => key !== entry.kit)
      return left.length === 0
        ? null
        : withKits(
            refs,
            left.map(({ ref }) => ref),
          )
    }
    default:
      return null
  }
}

function withKits({ machine, present }: JobRefs, [kit, ...more]: readonly DossierRef[]): JobRefs | null {
  return kit ? { machine, kit, ...(more.length > 0 ? { more } : {}), ...(present ? { present } : {}) } : null
}

/** Every version a journal ever names, those it was opened with first. */
export function refsNamed(opened: JobRefs, entries: readonly NewEntry[]): DossierRef[] {
  return [
    opened.machine,
    ...kitRefs(opened),
    ...(opened.present ?? []),
    ...entries.flatMap((entry) =>
      entry.kind === 'dossier-changed' ? [entry.to] : entry.kind === 'kit-added' ? [entry.kit] : [],
    ),
  ]
}

/**
 * Whether an entry may change which dossiers the job works with.
 * @param known entries it may undo, by id
 */
export function movesDossiers(entry: NewEntry, known: ReadonlyMap<string, NewEntry>): boolean {
  if (moving.has(entry.kind)) return true
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
