import { voidedEntries } from '@tidy-badger/core/journal'
import {
  plansKnown,
  replay,
  undoBatch,
  type EntryBody,
  type JobDossiers,
  type JobState,
  type JournalEntry,
  type TimeSample,
  type WorkedOut,
} from '@tidy-badger/core/jobs'
import type { Erratum } from '@tidy-badger/core/wiring'
import { useQuery } from '@tanstack/react-query'
import { createContext, useContext, useEffect, useMemo, useState } from 'react'
import { notice } from '../ui/notices.ts'
import { getKept } from '../platform/api/kept.ts'
import { confirm } from './confirmStore.ts'
import { append, shownEntries, useJournal } from './journalStore.ts'
import { learnBeside, planBeside, plansHere } from './planClient.ts'
import { fetchErrata, type JobWithDossiers } from './api.ts'
import { askForPerson } from './personStore.ts'
import { useWorkedOut } from './useWorkedOut.ts'

/** The open job, replayed, with all that follows from it. */
export interface JobView extends WorkedOut {
  job: JobWithDossiers
  dossiers: JobDossiers
  entries: JournalEntry[]
  voided: Set<string>
  state: JobState
  /** What is known to be wrong on kit sheets, of all jobs. */
  errata: readonly Erratum[]
  /** Writes entries down; says why when it cannot. @returns whether it was written */
  write: (...bodies: EntryBody[]) => Promise<boolean>
  undo: (entry: string) => Promise<boolean>
  /** Where kits are worked at one by one: the next that has something left at this station. */
  nextKit?: { name: string; go: () => void }
  /** And the one in hand, by its name in the job. */
  kitInHand?: string
  /** And the job as a whole, with all its kits. */
  whole?: Pick<JobView, 'dossiers' | 'state' | 'plan'>
}

/** Replays the open job; null until its dossiers are here. */
export function useJobView(): JobView | null {
  const job = useJournal((state) => state.job)
  const entries = useJournal(shownEntries)
  const known = useQuery({ queryKey: ['errata'], queryFn: fetchErrata }).data
  const taught = job?.dossiers
  const samples = useTimes(job)
  const { data: learnt } = useQuery({
    // Samples by which they are: all of them in the key would be written out each time the job is shown.
    queryKey: ['learnt', job?.machine, job?.kits ?? job?.kit, samples && nameOf(samples)],
    queryFn: () => (taught && samples?.length ? learnBeside(taught, samples) : null),
    enabled: taught !== undefined && samples !== undefined,
    staleTime: Infinity,
  })
  const dossiers = useMemo(() => taught && (learnt ? { ...taught, learnt } : taught), [taught, learnt])
  const replayed = useMemo(
    () => (job && dossiers ? { job, dossiers, entries, state: replay(dossiers, entries) } : null),
    [job, dossiers, entries],
  )
  const shown = useWorkedOut(usePlanned(replayed), known ?? none)
  return useMemo(() => {
    if (!shown) return null
    const { planned, errata, worked } = shown
    const { dossiers, entries } = planned
    return {
      ...planned,
      ...worked,
      errata,
      voided: voidedEntries(entries),
      write: (...bodies) => write(dossiers, bodies),
      undo: (entry) => undo(dossiers, entries, entry),
    }
  }, [shown])
}
const none: Erratum[] = []

let named = 0
const names = new WeakMap<readonly TimeSample[], number>()
/** A number for each list. */
function nameOf(samples: readonly TimeSample[]): number {
  const name = names.get(samples) ?? ++named
  names.set(samples, name)
  return name
}

type Replayed = Pick<JobView, 'job' | 'dossiers' | 'entries' | 'state'>

/** Settles when the plans that are being made are there. */
let planning: Promise<void> = Promise.resolve()

/**
 * The job with its plans made: as it is now where a tick has moved none, else as it was until they are made beside the screen.
 * Where that cannot be, they are made here.
 */
function usePlanned(now: Replayed | null): Replayed | null {
  const [made, setMade] = useState<Replayed | null>(null)
  const [last, setLast] = useState<Replayed | null>(null)
  const known = useMemo(() => now === null || plansKnown(now.dossiers, now.state), [now])
  useEffect(() => {
    if (known || !now) return
    let gone = false
    planning = planBeside(now.dossiers, now.entries)
      .catch(plansHere)
      .catch(() => undefined)
      .then(() => {
        if (!gone) setMade(now)
      })
    return () => {
      gone = true
    }
  }, [now, known])
  const current = known || made === now ? now : last
  const stands = current !== null
  useEffect(() => {
    // Whatever else is asked of it later is planned here.
    if (stands) plansHere().catch(() => undefined)
  }, [stands])
  if (current !== last) setLast(current)
  return current?.job.id === now?.job.id ? current : null
}

/** How long what jobs took elsewhere is taken as known, ms: the day asks for the same right after the job has. */
const timesKnownMs = 60_000

/** How long finished jobs on the machine of a job took, for the time each thing takes. */
export function useTimes(job: JobWithDossiers | null): TimeSample[] | undefined {
  const machine = job?.dossiers.machine.id
  return useQuery({
    queryKey: ['times', machine, job?.id],
    queryFn: () => getKept<TimeSample[]>(`/api/times?machine=${machine}&without=${job?.id}`),
    enabled: job !== null,
    staleTime: timesKnownMs,
  }).data
}

export const JobContext = createContext<JobView | null>(null)

export function useJob(): JobView {
  const view = useContext(JobContext)
  if (!view) throw new Error('jobs: useJob outside an open job')
  return view
}

/** What is being written, or is written and not shown yet: a second tap on it is the same tap. */
let underWay: string | null = null

async function write(dossiers: JobDossiers, bodies: readonly EntryBody[]): Promise<boolean> {
  const what = JSON.stringify(bodies)
  if (what === underWay) return false
  underWay = what
  try {
    await planning
    if (!(await askForPerson())) return false
    const result = await append(dossiers, bodies)
    if (result.ok) return true
    notice.bad(result.message)
    return false
  } finally {
    void shown().then(() => {
      if (underWay === what) underWay = null
    })
  }
}

/** Once what was written is on the screen, with the plans it moved. */
async function shown(): Promise<void> {
  await new Promise((drawn) => setTimeout(drawn))
  await planning
}

async function undo(dossiers: JobDossiers, entries: readonly JournalEntry[], target: string): Promise<boolean> {
  const batch = undoBatch(dossiers, entries, target)
  const others = batch.length - 1
  if (
    others > 0 &&
    !(await confirm(
      `${others} later ${others === 1 ? 'entry stands' : 'entries stand'} on it. Undo ${others === 1 ? 'both' : 'all of them'}?`,
      `Undo all ${batch.length}`,
    ))
  )
    return false
  return write(
    dossiers,
    batch.map((undoes) => ({ kind: 'undo', undoes })),
  )
}
