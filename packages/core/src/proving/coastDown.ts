import { failure, success, type Outcome } from '../shared/index.ts'
import { airDensity, gravity, plainDensity, type Air } from './air.ts'

/** One run of coasting down: out of gear, from fast to slow. */
export interface CoastRun {
  rows: readonly { t: number; speedKmh: number; rpm?: number }[]
  /** Rise over run; 0 unless said. */
  slope?: number
}

export interface CoastAsked {
  runs: readonly CoastRun[]
  massKg: number
  /** What turns counts as so much more mass; wheels alone, out of gear: 1.03 unless said. */
  rotatingMassFactor?: number
  air?: Air
}

export interface CoastDown {
  dragAreaM2: number
  dragSeM2: number
  rolling: number
  rollingSe: number
  warnings: string[]
}

const wheelsOnly = 1.03
const fewestRows = 20
/** So much of the first speed has to be lost, or drag and rolling cannot be told from each other. */
const leastFall = 0.4
const mostRounds = 60

/**
 * Drag area and rolling resistance from coasting down, by least squares on the speed itself: dv/dt = −(a + b·v²), whose solution is a tangent.
 * Errors from what is left over; of several runs each is fitted for itself and the mean is taken, with how far they lie apart.
 * @returns refused where it is no coasting down. Source: White 1972, Gauss and Newton's method.
 */
export function workOutCoastDown({
  runs,
  massKg,
  rotatingMassFactor = wheelsOnly,
  air,
}: CoastAsked): Outcome<CoastDown> {
  const density = air ? airDensity(air) : plainDensity
  const warnings = air ? [] : [`The air is not written down: ${plainDensity} kg/m³ taken.`]
  if (runs.length === 0) return no('No run of coasting down.', 'runs')
  const fits: Fit[] = []
  for (const [i, run] of runs.entries()) {
    const path = `runs.${i}.rows`
    const problem = notCoasting(run, path)
    if (problem) return problem
    const fit = fitted(run)
    if (!fit) return no('No drag and rolling fit these speeds: was it braked, or in gear?', path)
    fits.push(fit)
  }
  const each = fits.map(({ a, b, seA, seB }, i) => {
    const slope = runs[i]?.slope ?? 0
    const steep = Math.sqrt(1 + slope * slope)
    const toRolling = (rotatingMassFactor * steep) / gravity
    const toArea = (2 * massKg * rotatingMassFactor) / density
    return { rolling: a * toRolling - slope, rollingSe: seA * toRolling, area: b * toArea, areaSe: seB * toArea }
  })
  const rolling = together(each.map(({ rolling: value, rollingSe: se }) => ({ value, se })))
  const area = together(each.map(({ area: value, areaSe: se }) => ({ value, se })))
  if (runs.length === 1)
    warnings.push('One direction only: wind and slope that nobody said are in it. The way back as well.')
  if (rolling.value <= 0)
    return no(
      'It rolls as if downhill: the slope is missing, or the wind pushed it. Both directions, please.',
      'runs.0.slope',
    )
  if (area.value <= 0) return no('It slows as if air did not matter: too slow, braked, or in gear.', 'runs.0.rows')
  if (area.se > 0.2 * area.value)
    warnings.push('Drag is known poorly: begin faster. At a walking pace air is hardly felt.')
  return success({
    ...{ dragAreaM2: area.value, dragSeM2: area.se, rolling: rolling.value, rollingSe: rolling.se },
    warnings,
  })
}

const no = (message: string, path: string): Outcome<never> => failure({ code: 'no-pull', path, message })

/** Why it is no coasting down; null where it is. */
function notCoasting({ rows }: CoastRun, path: string): Outcome<never> | null {
  if (rows.length < fewestRows)
    return no(`${rows.length} lines are no coasting down: some tens of seconds are wanted.`, path)
  if (rows.some(({ t }, i) => i > 0 && t <= (rows[i - 1]?.t ?? 0)))
    return no('Time does not run on from line to line.', path)
  const part = Math.max(3, Math.floor(rows.length / 10))
  const mean = (some: CoastRun['rows']) => some.reduce((sum, { speedKmh }) => sum + speedKmh, 0) / some.length
  const [first, last] = [mean(rows.slice(0, part)), mean(rows.slice(-part))]
  if (last > first) return no('The speed rises: that is a pull, not coasting down.', path)
  if (first > 450) return no(`${Math.round(first)} km/h is no road speed: likely metres a minute.`, path)
  if (last > first * (1 - leastFall))
    return no(
      `It slows from ${Math.round(first)} to ${Math.round(last)} km/h only: ${100 * leastFall} % less at the end, or drag and rolling cannot be told apart.`,
      path,
    )
  const ratios = rows.flatMap(({ rpm, speedKmh }) =>
    rpm !== undefined && rpm > 1200 && speedKmh > 10 ? [rpm / speedKmh] : [],
  )
  if (ratios.length > rows.length / 2) {
    const sorted = [...ratios].sort((a, b) => a - b)
    const at = (part: number) => sorted[Math.floor(part * (sorted.length - 1))] ?? 0
    if (at(0.9) / at(0.1) - 1 < 0.06)
      return no(
        'Engine and road speed keep one ratio: it was in gear, and the engine braked. Clutch in, or neutral.',
        path,
      )
  }
  return null
}

interface Fit {
  /** m/s² */
  a: number
  /** 1/m */
  b: number
  seA: number
  seB: number
}

/** Speed after t of a car that slows by a + b·v². */
function speedAfter(v0: number, a: number, b: number, t: number): number {
  const root = Math.sqrt(a * b)
  return Math.sqrt(a / b) * Math.tan(Math.atan(v0 * Math.sqrt(b / a)) - root * t)
}

/** Gauss and Newton's steps on the first speed and on both logarithms, halved where they lead astray. */
function fitted({ rows }: CoastRun): Fit | null {
  const begins = rows[0]?.t ?? 0
  const points = rows.map(({ t, speedKmh }) => ({ t: t - begins, v: speedKmh / 3.6 }))
  let p = [points[0]?.v ?? 1, Math.log(0.15), Math.log(2e-4)]
  const residuals = ([v0 = 1, la = 0, lb = 0]: readonly number[]) =>
    points.map(({ t, v }) => speedAfter(v0, Math.exp(la), Math.exp(lb), t) - v)
  const squares = (list: readonly number[]) => list.reduce((sum, one) => sum + one * one, 0)
  let at = residuals(p)
  for (let round = 0; round < mostRounds; round++) {
    const jacobian = p.map((value, k) => {
      const step = k === 0 ? 1e-4 : 1e-5
      const moved = residuals(p.map((one, i) => (i === k ? value + step : one)))
      return moved.map((one, i) => (one - (at[i] ?? 0)) / step)
    })
    const normal = jacobian.map((left) => jacobian.map((right) => dot(left, right)))
    const step = solve3(
      normal,
      jacobian.map((column) => -dot(column, at)),
    )
    if (!step) return null
    let scale = 1
    let [next, there] = [p, at]
    while (scale > 1e-4) {
      next = p.map((value, k) => value + scale * (step[k] ?? 0))
      there = residuals(next)
      if (squares(there) <= squares(at)) break
      scale /= 2
    }
    const done = scale <= 1e-4 || Math.abs(squares(at) - squares(there)) < 1e-10 * squares(at) + 1e-15
    if (scale > 1e-4) [p, at] = [next, there]
    if (!done) continue
    const variance = squares(at) / Math.max(1, points.length - 3)
    const inverse = [0, 1, 2].map((k) =>
      solve3(
        normal,
        [0, 1, 2].map((i) => (i === k ? 1 : 0)),
      ),
    )
    const [a, b] = [Math.exp(p[1] ?? 0), Math.exp(p[2] ?? 0)]
    const se = (k: number) => Math.sqrt(Math.max(0, variance * (inverse[k]?.[k] ?? 0)))
    return Number.isFinite(a + b) && a < 20 && b < 1 ? { a, b, seA: a * se(1), seB: b * se(2) } : null
  }
  return null
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, one, i) => sum + one * (b[i] ?? 0), 0)

/** Three equations by elimination; null where they say nothing. */
function solve3(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0])
  for (let k = 0; k < 3; k++) {
    const pivot = rows.slice(k).reduce((best, row) => (Math.abs(row[k] ?? 0) > Math.abs(best[k] ?? 0) ? row : best))
    const at = rows.indexOf(pivot)
    const head = pivot[k] ?? 0
    if (Math.abs(head) < 1e-14 || !Number.isFinite(head)) return null
    ;[rows[k], rows[at]] = [rows[at], rows[k]]
    for (const [i, row] of rows.entries()) {
      if (i === k) continue
      const times = (row[k] ?? 0) / head
      rows[i] = row.map((value, j) => value - times * (pivot[j] ?? 0))
    }
  }
  return rows.map((row, i) => (row[3] ?? 0) / (row[i] ?? 1))
}

/** The mean of runs, its error from their own and from how far they lie apart, whichever is larger. */
function together(list: readonly { value: number; se: number }[]): { value: number; se: number } {
  const value = list.reduce((sum, one) => sum + one.value, 0) / list.length
  const own = Math.sqrt(list.reduce((sum, { se }) => sum + se * se, 0)) / list.length
  const apart =
    list.length < 2
      ? 0
      : Math.sqrt(list.reduce((sum, one) => sum + (one.value - value) ** 2, 0) / (list.length - 1) / list.length)
  return { value, se: Math.max(own, apart) }
}
