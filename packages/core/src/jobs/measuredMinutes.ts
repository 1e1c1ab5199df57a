import { voidedEntries } from '../journal/index.ts'
import { jobJournal, replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { expectedMinutes, learnDayFactor, learnMinutes, type DayFactor } from '../scheduling/index.ts'
import { isJoined, memberOf, type Minutes, type Station } from '../dossiers/index.ts'
import { jobTasks, type LearntTimes } from './jobTasks.ts'
import type { JournalEntry, NewEntry } from './model.ts'

/** Time that went into a piece of work, as the journal shows it. */
export interface MeasuredMinutes {
  key: string
  minutes: number
  by: string
  station: Station | null
}

/** Without a figure of its own a piece of work takes at most so long in one go, min; a longer gap held a break. */
const longestWork = 30
/** A gap may be so many times the worst the plan expects, and a little more for the walk to the tablet; beyond it held a break. */
const worstTimes = 2
const walkMinutes = 2
/** Ticks closer than this were made together, afterwards, min. */
const shortestGap = 0.15

/**
 * How long each piece of work took, as active time: the time since the same person's last entry, less the waits that ran out meanwhile
 * (cooling, adhesive, timers). What is then longer than twice the worst of the plan held a break, and says nothing about the work;
 * ticks made in one go afterwards say nothing either. Pieces ticked off in several entries are added up. Voided entries do not count.
 */
export function measuredMinutes(entries: readonly JournalEntry[], dossiers: JobDossiers): MeasuredMinutes[] {
  const voided = voidedEntries(entries)
  const priors = priorsOf(dossiers)
  const waits = waitsOf(entries, dossiers, voided)
  const last = new Map<string, number>()
  const made = new Map<string, MeasuredMinutes>()
  for (const entry of entries) {
    const at = entry.at === undefined ? NaN : Date.parse(entry.at)
    if (Number.isNaN(at) || voided.has(entry.id) || entry.kind === 'undo') continue
    const by = entry.by ?? ''
    const before = last.get(by)
    last.set(by, Math.max(at, before ?? at))
    const key = workKey(entry)
    if (key === null || before === undefined) continue
    const minutes = (at - before - waitedBetween(waits, before, at)) / 60_000
    const worst = priors.get(key)?.worst
    const most = worst === undefined ? longestWork : worst * worstTimes + walkMinutes
    if (minutes < shortestGap || minutes > most) continue
    const known = made.get(`${by}|${key}`)
    made.set(`${by}|${key}`, {
      key,
      by,
      minutes: (known?.minutes ?? 0) + minutes,
      station: jobJournal.placeOf(entry, dossiers),
    })
  }
  return [...made.values()]
}

/** The dossier's own figures of every task, by its id. */
function priorsOf(dossiers: JobDossiers): Map<string, Minutes> {
  const priors = new Map<string, Minutes>(
    jobTasks(dossiers, replay(dossiers, [])).map((task) => [task.id, task.minutes] as const),
  )
  for (const cover of dossiers.machine.covers ?? []) {
    priors.set(`off.${cover.id}`, cover.off)
    priors.set(`on.${cover.id}`, cover.on)
  }
  return priors
}

interface RunningWait {
  from: number
  to: number
}

/** Waits as they ran, ms: those of steps, and timers started by hand. */
function waitsOf(
  entries: readonly JournalEntry[],
  { machine, kit }: JobDossiers,
  voided: ReadonlySet<string>,
): RunningWait[] {
  const steps = new Map([...machine.steps, ...kit.steps].map((step) => [step.id, step]))
  return entries.flatMap((entry): RunningWait[] => {
    const from = entry.at === undefined ? NaN : Date.parse(entry.at)
    if (Number.isNaN(from) || voided.has(entry.id)) return []
    const minutes =
      entry.kind === 'timer-started'
        ? entry.minutes
        : entry.kind === 'step-done'
          ? (steps.get(entry.step)?.wait?.minutes ?? 0)
          : 0
    return minutes > 0 ? [{ from, to: from + minutes * 60_000 }] : []
  })
}

/** How much of a gap was sat out: the longest wait that ran out in it. */
function waitedBetween(waits: readonly RunningWait[], from: number, to: number): number {
  return waits.reduce((most, wait) => {
    const overlap = Math.min(wait.to, to) - Math.max(wait.from, from)
    return wait.to <= to && overlap > 0 ? Math.max(most, overlap) : most
  }, 0)
}

/** The piece of work an entry ticks off, named as its task; null for entries that are no work of the plan. */
function workKey(entry: NewEntry): string | null {
  switch (entry.kind) {
    case 'step-done':
      return `step.${entry.step}`
    case 'reading':
      return entry.step === undefined ? null : `step.${entry.step}`
    case 'cover-off':
      return `off.${entry.cover}`
    case 'cover-on':
      return `on.${entry.cover}`
    case 'connected':
    case 'tugged':
      return `end.${entry.kitEnd}`
    default:
      return null
  }
}

/**
 * A piece of work as every job on the machine calls it: what is a kit's goes by the kit's id, whether the kit was alone in its job or one of
 * several. What is the machine's keeps its name.
 */
export function commonKey({ kit }: Pick<JobDossiers, 'kit'>, key: string): string {
  const [, kind = '', id = ''] = /^([a-z]+)\.(.+)$/.exec(key) ?? []
  const found = isJoined(kit)
    ? memberOf(kit, id)
    : [...kit.steps, ...kit.ends].some((one) => one.id === id)
      ? { member: kit, id }
      : null
  return found ? `${kind}.${found.member.id}:${found.id}` : key
}

/** One finished piece of work of another job. */
export interface TimeSample {
  job: string
  /** As {@link commonKey} has it. */
  key: string
  minutes: number
}

/**
 * Times of this job's tasks as finished jobs on the same machine teach them, each with its count. Only tasks somebody has
 * measured are in the answer.
 */
export function learntTimes(dossiers: JobDossiers, samples: readonly TimeSample[]): LearntTimes {
  const byKey = new Map<string, number[]>()
  for (const { key, minutes } of samples) byKey.set(key, [...(byKey.get(key) ?? []), minutes])
  return new Map(
    [...priorsOf(dossiers)].flatMap(([key, prior]) => {
      const measured = byKey.get(commonKey(dossiers, key))
      return measured ? [[key, learnMinutes(prior, measured)] as const] : []
    }),
  )
}

/** What the days of finished jobs had in common, each against what its own tasks were expected to take together. */
export function learntDay(dossiers: JobDossiers, samples: readonly TimeSample[]): DayFactor {
  const priors = new Map([...priorsOf(dossiers)].map(([key, prior]) => [commonKey(dossiers, key), prior]))
  const jobs = new Map<string, { taken: number; planned: number }>()
  for (const { job, key, minutes } of samples) {
    const prior = priors.get(key)
    if (!prior) continue
    const sum = jobs.get(job) ?? { taken: 0, planned: 0 }
    jobs.set(job, { taken: sum.taken + minutes, planned: sum.planned + expectedMinutes(prior) })
  }
  return learnDayFactor([...jobs.values()].map(({ taken, planned }) => taken / planned))
}
