import type { Minutes } from '../dossiers/index.ts'
import { seededRandom, type SeededRandom } from '../shared/index.ts'
import type { Task } from './model.ts'
import { compile, place } from './scheduleTasks.ts'

export interface MinutesSpread {
  p50: number
  p90: number
}

/**
 * How long all of it takes: half of such days are over by `p50`, nine in ten by `p90`, min. Each task's time is drawn from
 * the beta-PERT distribution of its three points, every day is scheduled anew; the same seed gives the same answer.
 */
export function simulateMinutes(tasks: readonly Task[], people: 1 | 2, seed = 1, runs = 400): MinutesSpread {
  if (tasks.length === 0) return { p50: 0, p90: 0 }
  const compiled = compile(tasks)
  const random = seededRandom(seed)
  const ends = Array.from(
    { length: runs },
    () =>
      place(
        compiled,
        people,
        tasks.map((task) => (task.hands === 0 ? task.minutes.likely : drawMinutes(task.minutes, random))),
      ).minutes,
  ).sort((a, b) => a - b)
  return { p50: ends[Math.floor(runs * 0.5)], p90: ends[Math.floor(runs * 0.9)] }
}

/** One time from the beta-PERT distribution: beta on [best, worst] with shape 4 (Vose 2008). */
export function drawMinutes({ best, likely, worst }: Minutes, random: SeededRandom): number {
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
