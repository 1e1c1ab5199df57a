import type { AppendPlan } from '@tidy-badger/core/journal'
import {
  planAppend,
  readJobFile,
  replay,
  type JobDossiers,
  type JobFile,
  type JobRefs,
  type JobState,
  type JournalEntry,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import { entryVersion } from '@tidy-badger/core/jobs'
import { goTogether } from '@tidy-badger/core/wiring'
import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { startPlanning } from '@tidy-badger/core/planning'
import { judgeJob, type Judged } from './judgeJob.ts'

startPlanning()

export interface AppendTask {
  /** Dossiers the journal works with now. */
  before: JobDossiers
  /** Dossiers it works with once the batch is in; the same ones but for a batch that changes them. */
  after: JobDossiers
  refs: JobRefs
  journal: readonly JournalEntry[]
  batch: readonly NewEntry[]
  /** Whether who wrote it is the device's to say. */
  bound: boolean
  receivedAt: string
}

/** A batch judged, and the job as it stands with it. */
export type JudgedAppend =
  | { kind: 'refused'; plan: Exclude<AppendPlan<NewEntry>, { kind: 'append' }> }
  | {
      kind: 'append'
      plan: Extract<AppendPlan<NewEntry>, { kind: 'append' }>
      stamped: JournalEntry[]
      state: JobState | null
      judged: Judged | null
    }

export function judgeAppend({ before, after, refs, journal, batch, bound, receivedAt }: AppendTask): JudgedAppend {
  const plan = planAppend(before, journal, batch, { contextOf: () => after, bound })
  if (plan.kind !== 'append') return { kind: 'refused', plan }
  const head = journal.at(-1)?.seq ?? 0
  const stamped = plan.fresh.map((entry, i): JournalEntry => ({
    ...entry,
    seq: head + 1 + i,
    receivedAt,
    v: entryVersion,
  }))
  if (stamped.length === 0) return { kind: 'append', plan, stamped, state: null, judged: null }
  const whole = [...journal, ...stamped]
  const state = replay(after, whole)
  return { kind: 'append', plan, stamped, state, judged: judgeJob(after, refs, whole, state) }
}

export interface JudgeTask {
  dossiers: JobDossiers
  refs: JobRefs
  journal: readonly JournalEntry[]
  state: JobState
}

export function judge({ dossiers, refs, journal, state }: JudgeTask): Judged {
  return judgeJob(dossiers, refs, journal, state)
}

export interface ReplayTask {
  dossiers: JobDossiers
  journal: readonly JournalEntry[]
}

export function replayed({ dossiers, journal }: ReplayTask): JobState {
  return replay(dossiers, journal)
}

export function readFile(document: unknown): Outcome<JobFile> {
  return readJobFile(document)
}

export interface TogetherTask {
  machine: Machine
  kits: readonly Kit[]
}

/** The first thing that stands between several kits on one machine; null where they go together. */
export function clash({ machine, kits }: TogetherTask): string | null {
  return goTogether(machine, kits).find(({ severity }) => severity === 'stop')?.reason ?? null
}
