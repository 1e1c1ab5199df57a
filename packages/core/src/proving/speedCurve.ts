import { along, degree, lineOf, piecesAt, varianceAlong, type CubicPieces } from './cubicPieces.ts'
import { order, penalised } from './penalised.ts'
import type { SmoothCurve } from './smoothCurve.ts'

/** What is accelerated at each speed, from one speed to another, m/s² and m/s. */
export interface SpeedCurve {
  from: number
  to: number
  at: (speed: number) => { acceleration: number; se: number; t: number }
}

const gridPoints = 200
const rounds = 3
const mostSpans = 20
const pointsPerSpan = 3
/** The speeds that were read reach a little past the curve that is begun with. */
const margin = 0.02
/** Its third derivative over the whole pull, in mean accelerations: a torque curve bends about so much. */
const usualBend = 12
/** Slopes of the curve over time that it is begun with. */
const begunWith = 60
/** Nothing accelerates there, m/s². */
const leastAcceleration = 1e-3

/**
 * What a pull accelerates at each speed: dv/dt = a(v) with a smooth a, fitted through the speeds it makes (Gauss–Newton on a penalised spline). Force
 * over speed bends as gently as a torque curve; over time it does not, and its ends are known less.
 * @param ts s, rising @param vs m/s @param first a curve through them over time, to begin with
 * @returns null where it does not accelerate all the way: there the curve over time is what is left
 */
export function speedCurve(ts: readonly number[], vs: readonly number[], first: SmoothCurve): SpeedCurve | null {
  const [start, end] = [ts[0] ?? 0, ts.at(-1) ?? 1]
  const [from, to] = [first.at(start).value, first.at(end).value]
  if (!(to > from && end > start)) return null
  const spans = Math.max(4, Math.min(mostSpans, Math.floor(ts.length / pointsPerSpan)))
  const m = spans + degree
  const low = from - margin * (to - from)
  const step = ((1 + 2 * margin) * (to - from)) / (gridPoints - 1)
  const width = (step * (gridPoints - 1)) / spans
  const pieces = (speed: number) => piecesAt((speed - low) / width, spans, width)
  const grid = Array.from({ length: gridPoints }, (_item, i) => pieces(low + i * step))
  const slopes = Array.from({ length: begunWith }, (_item, i) =>
    first.at(start + ((end - start) * i) / (begunWith - 1)),
  )
  const begun = penalised(
    slopes.map(({ value }) => {
      const { from: k, values } = pieces(value)
      return lineOf(m, k, values)
    }),
    slopes.map(({ slope }) => slope),
  )
  if (!begun) return null
  const usual = (((to - from) / (end - start)) * usualBend) / spans ** order
  // The last coefficient is when it began.
  let { covariance } = begun
  let coefficients: Float64Array = Float64Array.from([...begun.coefficients, 0])
  let driven = drivenBy(coefficients, grid, step)
  if (!driven) return null
  const { times } = driven
  coefficients[m] = ts.reduce((sum, t, k) => sum + (t - at(times, ((vs[k] ?? 0) - low) / step)) / ts.length, 0)
  for (let round = 0; round < rounds; round++) {
    const lines: Float64Array[] = []
    const ys: number[] = []
    for (const [k, t] of ts.entries()) {
      const place = placeIn(driven.times, t - (coefficients[m] ?? 0))
      const line = lineThere(driven, place)
      lines.push(line)
      ys.push((vs[k] ?? 0) - (low + place * step) + along(coefficients, 0, [...line]))
    }
    const made = penalised(lines, ys, { free: 1, usual })
    driven = made && drivenBy(made.coefficients, grid, step)
    if (!made || !driven) return null
    ;({ coefficients, covariance } = made)
  }
  const reached = driven.times
  return {
    ...{ from, to },
    at(speed) {
      const { from: k, values } = pieces(speed)
      return {
        acceleration: along(coefficients, k, values),
        se: Math.sqrt(varianceAlong(covariance(), k, values)),
        t: (coefficients[m] ?? 0) + at(reached, (speed - low) / step),
      }
    },
  }
}

/** A drive by an acceleration over speed: on the grid of speeds, when each is reached, and what each coefficient does to that. */
interface Driven {
  accelerations: Float64Array
  times: Float64Array
  parts: Float64Array[]
}

/** @param coefficients of the acceleration, and when it began, which does nothing here */
function drivenBy(coefficients: Float64Array, grid: readonly CubicPieces[], step: number): Driven | null {
  const accelerations = Float64Array.from(grid, ({ from, values }) => along(coefficients, from, values))
  if (Math.min(...accelerations) <= leastAcceleration) return null
  const times = new Float64Array(grid.length)
  const parts = [new Float64Array(coefficients.length)]
  for (let i = 1; i < grid.length; i++) {
    const into = Float64Array.from(parts[i - 1] ?? [])
    let dt = 0
    for (const k of [i - 1, i]) {
      const a = accelerations[k] ?? 1
      dt += step / 2 / a
      grid[k]?.values.forEach((value, j) => {
        const of = (grid[k]?.from ?? 0) + j
        into[of] = (into[of] ?? 0) - ((step / 2) * value) / (a * a)
      })
    }
    times[i] = (times[i - 1] ?? 0) + dt
    parts.push(into)
  }
  return { accelerations, times, parts }
}

/** Between the two values a place lies between; past the ends as the last two go on. */
function at(values: Float64Array, place: number): number {
  const i = Math.max(0, Math.min(values.length - 2, Math.floor(place)))
  const [here, next] = [values[i] ?? 0, values[i + 1] ?? 0]
  return here + (place - i) * (next - here)
}

/** The place on the grid where a time is, in steps; past its ends as the last step goes on. */
function placeIn(times: Float64Array, t: number): number {
  let [low, high] = [0, times.length - 2]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if ((times[middle] ?? 0) <= t) low = middle
    else high = middle - 1
  }
  return low + (t - (times[low] ?? 0)) / ((times[low + 1] ?? 0) - (times[low] ?? 0))
}

/** What the coefficients, and when it began, do to the speed at a place. */
function lineThere({ accelerations, parts }: Driven, place: number): Float64Array {
  const i = Math.max(0, Math.min(parts.length - 2, Math.floor(place)))
  const part = place - i
  const acceleration = at(accelerations, place)
  const line = (parts[i] ?? new Float64Array(0)).map(
    (one, j) => -acceleration * (one + part * ((parts[i + 1]?.[j] ?? 0) - one)),
  )
  line[line.length - 1] = -acceleration
  return line
}
