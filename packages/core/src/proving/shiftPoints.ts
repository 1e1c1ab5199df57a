import { failure, success, type Outcome } from '../shared/index.ts'
import { betweenPoints } from './alignment.ts'
import { torqueOf, type PullPoint } from './model.ts'

export interface ShiftPoint {
  /** From this gear, counted from 1. */
  from: number
  rpm: number
  /** Where the engine is in the next gear. */
  thenRpm: number
  /** Power never falls off enough: the next gear pulls less up to the limiter. */
  atLimiter: boolean
}

/**
 * Where to change up by a power curve: where the wheels pull as hard in the next gear. Force at the wheels is torque times ratio.
 * @param ratios of the gears, from the shortest
 * @param limiterRpm no shift lies above it
 */
export function shiftPoints(
  points: readonly Pick<PullPoint, 'rpm' | 'powerKw'>[],
  ratios: readonly number[],
  limiterRpm: number,
): Outcome<ShiftPoint[]> {
  const back = ratios.findIndex((ratio, i) => ratio <= 0 || (i > 0 && ratio >= (ratios[i - 1] ?? 0)))
  if (ratios.length < 2 || back >= 0)
    return failure({
      ...{ code: 'gears', path: `ratios.${Math.max(0, back)}` },
      message: 'Gears go from the shortest to the longest, each ratio smaller than the one before: 3.8, 2.3, 1.5.',
    })
  const sorted = [...points].sort((a, b) => a.rpm - b.rpm)
  const [low, high] = [sorted[0]?.rpm ?? 0, Math.min(limiterRpm, sorted.at(-1)?.rpm ?? 0)]
  if (!(high > low)) return failure({ code: 'no-pull', path: 'points', message: 'No curve to change gears by.' })
  const powerAt = (at: number) =>
    betweenPoints(
      sorted,
      ({ rpm }) => rpm,
      at,
      ({ powerKw }) => powerKw,
    )
  const torque = (rpm: number) => torqueOf(powerAt(rpm), rpm)
  const step = (high - low) / 400
  return success(
    ratios.slice(0, -1).map((ratio, i) => {
      const next = ratios[i + 1] ?? ratio
      for (let rpm = low; rpm <= high + 1e-9; rpm += step) {
        const then = (rpm * next) / ratio
        if (then >= low && torque(then) * next >= torque(rpm) * ratio)
          return { from: i + 1, rpm, thenRpm: then, atLimiter: false }
      }
      return { from: i + 1, rpm: high, thenRpm: (high * next) / ratio, atLimiter: true }
    }),
  )
}
