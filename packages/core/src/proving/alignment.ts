import { failure, success, type Outcome } from '../shared/index.ts'
import type { Pull, PullPoint } from './model.ts'

/** What pulls are laid over each other by. */
export type PullAxis = 'rpm' | 'speed'

export interface Alignment {
  axis: PullAxis
  /** In steps of what they have in common. */
  grid: number[]
}

const gridPoints = 60
/** 1/min for each km/h that holds within so much is one gear. */
const oneGear = 0.06

/** Whether a pull was driven in one gear; null without road speed. */
export function heldGear({ points }: Pick<Pull, 'points'>): { rpmPerKmh: number } | 'belt' | null {
  const ratios = points.flatMap(({ rpm, speedKmh }) => (speedKmh !== null && speedKmh > 5 ? [rpm / speedKmh] : []))
  if (ratios.length === 0 || ratios.length < points.length / 2) return null
  const sorted = [...ratios].sort((a, b) => a - b)
  const at = (part: number) => sorted[Math.round(part * (sorted.length - 1))] ?? 0
  return at(0.95) / at(0.05) - 1 > oneGear ? 'belt' : { rpmPerKmh: at(0.5) }
}

/** Where a point stands along an axis. */
export const alongAxis = (axis: PullAxis, { rpm, speedKmh }: Pick<PullPoint, 'rpm' | 'speedKmh'>): number =>
  axis === 'rpm' ? rpm : (speedKmh ?? 0)

/**
 * By engine speed, or by road speed where a belt or an open converter was between: there the engine keeps its speed.
 * @returns refused where they have nothing in common
 */
export function alignPulls(pulls: readonly Pull[]): Outcome<Alignment> {
  const no = (message: string): Outcome<Alignment> => failure({ code: 'no-overlap', path: 'after', message })
  const gears = pulls.map(heldGear)
  const axis: PullAxis = gears.includes('belt') ? 'speed' : 'rpm'
  if (axis === 'speed' && gears.includes(null))
    return no(
      'A belt or a converter was between in one of them, and another has no road speed: they cannot be laid over each other.',
    )
  const ends = pulls.map(({ points }) => points.map((point) => alongAxis(axis, point)))
  const low = Math.max(...ends.map((list) => Math.min(...list)))
  const high = Math.min(...ends.map((list) => Math.max(...list)))
  if (!(high > low))
    return no(
      `The pulls have no ${axis === 'rpm' ? 'engine' : 'road'} speed in common: the same gear, from the same speed.`,
    )
  return success({
    axis,
    grid: Array.from({ length: gridPoints }, (_item, i) => low + ((high - low) * i) / (gridPoints - 1)),
  })
}

/** A figure between points that stand in order along something; beyond them that of the nearest two. */
export function betweenPoints<Point>(
  points: readonly Point[],
  along: (point: Point) => number,
  x: number,
  of: (point: Point) => number,
): number {
  const at = points.findIndex((point) => along(point) >= x)
  const [low, high] = [points[Math.max(0, at - 1)], points[at < 0 ? points.length - 1 : at]]
  if (!low || !high) return 0
  const wide = along(high) - along(low)
  return wide <= 0 ? of(high) : of(low) + ((x - along(low)) / wide) * (of(high) - of(low))
}

/** A figure of a pull there, between its points. */
export function pullAt(
  { points }: Pull,
  axis: PullAxis,
  x: number,
  field: 'powerKw' | 'torqueNm' | 'rpm' | 'speedKmh',
): number {
  return betweenPoints(
    points,
    (point) => alongAxis(axis, point),
    x,
    (point) => point[field] ?? 0,
  )
}
