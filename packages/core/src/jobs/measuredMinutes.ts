import { learnMinutes } from '../scheduling/index.ts'
import type { Minutes, Station } from '../dossiers/index.ts'
import { stationOfEntry } from './stationOfEntry.ts'
import { jobTasks, type LearntTimes } from './jobTasks.ts'
import type { JobDossiers, JournalEntry, NewEntry } from './model.ts'
import { replay, voidedEntries } from './replay.ts'

/** Time that went into a piece of work, as the journal shows it. */
export interface MeasuredMinutes {
  key: string
  minutes: number
  by: string
  station: Station | null
}

/** A gap longer than this was a break, min. */
const longestGap = 60
/** Ticks closer than this were made together, afterwards, min. */
const shortestGap = 0.15

/**
 * How long each piece of work took: the time since the same person's last entry, as long as it was no break and the ticks
 * were not made in one go afterwards. Pieces ticked off in several entries are added up. Voided entries do not count.
 */
export function measuredMinutes(entries: readonly JournalEntry[], dossiers: JobDossiers): MeasuredMinutes[] {
  const voided = voidedEntries(entries)
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
    const minutes = (at - before) / 60_000
    if (minutes < shortestGap || minutes > longestGap) continue
    const known = made.get(`${by}|${key}`)
    made.set(`${by}|${key}`, {
      key,
      by,
      minutes: (known?.minutes ?? 0) + minutes,
      station: stationOfEntry(entry, dossiers),
    })
  }
  return [...made.values()]
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

/** One finished piece of work of another job. */
export interface TimeSample {
  job: string
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
  const priors = new Map(jobTasks(dossiers, replay(dossiers, [])).map((task) => [task.id, task.minutes]))
  for (const cover of dossiers.machine.covers ?? []) {
    priors.set(`off.${cover.id}`, cover.off)
    priors.set(`on.${cover.id}`, cover.on)
  }
  return new Map(
    [...byKey].flatMap(([key, measured]) => {
      const prior: Minutes | undefined = priors.get(key)
      return prior ? [[key, learnMinutes(prior, measured)] as const] : []
    }),
  )
}
