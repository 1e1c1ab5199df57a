import type { DossierRef, Kit } from '@tidy-badger/core/dossiers'
import { isAhead } from '@tidy-badger/core/journal'
import type { EntryBody, JobRefs, JournalEntry, NewEntry } from '@tidy-badger/core/jobs'
import type { DossierAsked } from '../dossiers/index.ts'
import { refusal } from '../platform/errors.ts'
import type { LoadedJob } from './jobStore.ts'

/** What a job is opened with. */
export interface OpenAsked {
  machine: DossierAsked
  kits: readonly DossierAsked[]
  /** Kits that are in the machine already. */
  present?: readonly DossierRef[]
  /** What stands first in its journal: what it begins with. */
  first?: EntryBody
  title?: string
  id?: string
  createdAt?: string
}

/** A job's dossiers with one kit more. */
export function withKit(refs: JobRefs, kit: DossierRef): JobRefs {
  return { ...refs, more: [...(refs.more ?? []), kit] }
}

/** @throws Refusal where a kit stands twice that a machine takes once */
export function requireOnce(kits: readonly Kit[], present: number, path = 'kits'): void {
  const twice = kits.find((kit, i) => !kit.repeatable && kits.findIndex(({ id }) => id === kit.id) < i)
  if (!twice) return
  const before = kits.slice(0, present).some(({ id }) => id === twice.id)
  throw refusal(
    'unprocessable',
    'kit-twice',
    before
      ? `The ${twice.maker} ${twice.model} is in this machine already, and a machine takes one of it.`
      : `The ${twice.maker} ${twice.model} is named twice, and a machine takes one of it.`,
    path,
  )
}

/** What a job begins with is the yard's to say, and is not taken back. @throws Refusal where a batch says or unsays it */
export function requireNotOpened(job: LoadedJob, batch: readonly NewEntry[], again: boolean): void {
  const first = job.journal[0]
  batch.forEach((entry, i) => {
    const said = entry.kind === 'opened' && !again && !job.journal.some(({ id }) => id === entry.id)
    const unsaid = entry.kind === 'undo' && first?.kind === 'opened' && entry.undoes === first.id
    if (said || unsaid)
      throw refusal(
        'unprocessable',
        'by-the-yard',
        'What a job begins with is written down by the yard when it is opened, and stays.',
        `entries.${i}.kind`,
      )
  })
}

/** @throws Refusal for the first entry whose time lies more than a day ahead */
export function checkTimes(entries: readonly (NewEntry | JournalEntry)[], now: string, under = 'entries'): void {
  for (const [i, entry] of entries.entries())
    if (entry.at !== undefined && isAhead(entry.at, now))
      throw refusal(
        'unprocessable',
        'in-the-future',
        `The time ${entry.at} lies more than a day ahead. Set the clock of the device.`,
        `${under}.${i}.at`,
      )
}
