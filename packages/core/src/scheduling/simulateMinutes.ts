import type { Minutes } from '../dossiers/index.ts'
import { seededRandom, type SeededRandom } from '../shared/index.ts'
import { priorWeight, type LearntMinutes } from './learnMinutes.ts'
import type { Task } from './model.ts'
import { compile, minutesOfAll } from './scheduleTasks.ts'

export interface MinutesSpread {
  p50: number
  p90: number
}

/**
 * What all tasks of one day share: rust, cold, a new hand. Log-normal with median 1; `sigma` is its spread in logarithms.
 * Without it the sum of many tasks comes out far too sure of itself.
 */
export interface DayFactor {
  sigma: number
  /** Finished jobs behind it; 0: the yard's general figure. */
  n: number
}

/** Nine days in ten take at most a quarter more than the half of them, the tasks' own spread apart (general practice). */
export const usualDay: DayFactor = { sigma: 0.16, n: 0 }

/**
 * The day factor as finished jobs show it: taken over planned minutes, job by job, in logarithms; the spread around their own middle,
 * shrunk towards the usual one as three jobs' worth (normal variance with known prior weight, Gelman et al. 2013, 2.6).
 * @param ratios taken / planned of each job; figures of zero or less are left out
 */
export function learnDayFactor(ratios: readonly number[]): DayFactor {
  const logs = ratios.filter((ratio) => ratio > 0).map(Math.log)
  const n = logs.length
  if (n === 0) return usualDay
  const mean = logs.reduce((sum, value) => sum + value, 0) / n
  const squares = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  return { sigma: Math.sqrt((priorWeight * usualDay.sigma ** 2 + squares) / (priorWeight + n)), n }
}

/**
 * How long all of it takes: half of such days are over by `p50`, nine in ten by `p90`, min. Each task's time is drawn from its own
 * spread and stretched by what the day does to all of them; every day is scheduled anew; the same seed gives the same answer.
 */
export function simulateMinutes(
  tasks: readonly Task[],
  people: 1 | 2,
  { seed = 1, runs = 400, day = usualDay }: { seed?: number; runs?: number; day?: DayFactor } = {},
): MinutesSpread {
  if (tasks.length === 0) return { p50: 0, p90: 0 }
  const compiled = compile(tasks)
  const random = seededRandom(seed)
  const ends = Array.from({ length: runs }, () => {
    const stretch = Math.exp(day.sigma * random.normal())
    return minutesOfAll(
      compiled,
      people,
      tasks.map((task) => (task.hands === 0 ? task.minutes.likely : stretch * drawMinutes(task.minutes, random))),
    )
  }).sort((a, b) => a - b)
  return { p50: ends[Math.floor(runs * 0.5)], p90: ends[Math.floor(runs * 0.9)] }
}

/**
 * One time: from the beta-PERT distribution, beta on [best, worst] with shape 4 (Vose 2008); a learnt time from its log-normal spread,
 * of which the three points are no limits.
 */
export function drawMinutes(minutes: Minutes | LearntMinutes, random: SeededRandom): number {
  const { best, likely, worst } = minutes
  if ('spreadFactor' in minutes && minutes.n > 0)
    return likely * Math.exp((Math.log(minutes.spreadFactor) / 1.645) * random.normal())
  const span = worst - best
  if (span <= 0) return likely
  const low = gamma(1 + (4 * (likely - best)) / span, random)
  const high = gamma(1 + (4 * (worst - likely)) / span, random)
  return best + (span * low) / (low + high)
}

/** Gamma variate for shapes of at least 1 (Marsaglia and Tsang 2000). */
function gamma(shape: number, random: SeededRandom): number {
  const d = shape - 1 / 3
  const c = 1 / Math.sqrt(9 * d)
  for (;;) {
    const x = random.normal()
    const v = (1 + c * x) ** 3
    if (v <= 0) continue
    if (Math.log(1 - random.uniform()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v
  }
}
