import { withFind } from '@tidy-badger/core/dossier-writing'
import { metGuesses, type JobDossiers, type JournalEntry, type NewEntry } from '@tidy-badger/core/jobs'
import type { Learnt } from '../dossiers/index.ts'
import { Refusal } from '../platform/errors.ts'
import type { LoadedJob } from './jobStore.ts'

/** What was found otherwise has to read as the dossier's own tables do. @throws Refusal */
export function requireReadable(
  { machine }: JobDossiers,
  journal: readonly JournalEntry[],
  batch: readonly NewEntry[],
): void {
  const finds = batch.flatMap((entry, i) => (entry.kind === 'found-otherwise' ? [{ entry, i }] : []))
  if (finds.length === 0) return
  const known = new Set(journal.map(({ id }) => id))
  for (const { entry, i } of finds) {
    if (known.has(entry.id)) continue
    const made = withFind(machine, null, entry)
    if (made.ok) continue
    const at = (path: string) => `entries.${i}.${path}`
    // A thing that is not there is said by the journal, in its own words.
    const unread = made.problems.filter(({ code, path }) => code !== 'unknown-reference' || path === 'field')
    if (unread.length > 0)
      throw new Refusal('unprocessable', ...unread.map((problem) => ({ ...problem, path: at(problem.path) })))
  }
}

/** What entries taught about the job's machine. Those that were taken back, or brought back, say so. */
export function learntFrom(job: LoadedJob, stamped: readonly JournalEntry[]): Learnt[] {
  const known = stamped.some(({ kind }) => kind === 'undo')
    ? new Map(job.journal.map((entry) => [entry.id, entry]))
    : new Map<string, JournalEntry>()
  const dayOf = (at: string | undefined, otherwise: string) => (at ?? otherwise).slice(0, 10)
  const live = new Set(job.state.finds.map(({ entry }) => entry))
  const finds = stamped.flatMap((entry): Learnt[] => {
    const found = entry.kind === 'undo' ? undoneBy(known, entry) : entry
    if (found?.kind !== 'found-otherwise') return []
    const { of, thing, field, was, is } = found
    const on = dayOf(entry.at, entry.receivedAt)
    return [
      { find: { of, thing, field, was, is }, back: !live.has(found.id), on, ...(entry.by ? { who: entry.by } : {}) },
    ]
  })
  const met = metGuesses(job.dossiers, job.state, stamped).map(({ of, id, good, says, by, at }): Learnt => ({
    met: { of, id, good, says },
    on: dayOf(at, stamped[0].receivedAt),
    ...(by ? { who: by } : {}),
  }))
  return [...finds, ...met]
}

/** The entry an undo is about in the end, however often it was undone. */
function undoneBy(known: ReadonlyMap<string, JournalEntry>, entry: JournalEntry): JournalEntry | undefined {
  let at: JournalEntry | undefined = entry
  while (at?.kind === 'undo') at = known.get(at.undoes)
  return at
}
