import type { Passage, PointAt } from '../dossiers/index.ts'

/** A way is longer than the straight line by about so much where nobody has measured it. */
const roundaboutShare = 1 / 6

export interface PassageLength {
  lengthM: number
  /** Measured along the way, or estimated from the ends. */
  measured: boolean
}

/** Length of a passage; null where it is neither measured nor can be estimated. */
export function passageLength(
  passage: Passage,
  from: PointAt | undefined,
  to: PointAt | undefined,
): PassageLength | null {
  if (passage.lengthM !== undefined) return { lengthM: passage.lengthM, measured: true }
  if (!from || !to) return null
  const points = [from, ...(passage.via ?? []), to]
  const straight = pathLengthM(points)
  const share = passage.via && passage.via.length > 0 ? layCorner : 1 + roundaboutShare
  return straight > 0 ? { lengthM: straight * share, measured: false } : null
}
/** With its corners known a way is only rounder, not longer. */
const layCorner = 1.05

export function distanceM(a: PointAt, b: PointAt): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)
}

export function pathLengthM(points: readonly PointAt[]): number {
  return points.reduce((sum, point, i) => (i === 0 ? 0 : sum + distanceM(points[i - 1], point)), 0)
}

/** The part of a path between two shares of its length, 0 to 1; corners between are kept. */
export function partOfPath(points: readonly PointAt[], from: number, to: number): PointAt[] {
  const whole = pathLengthM(points)
  if (points.length < 2 || whole === 0) return points.slice(0, 1)
  if (to < from) return partOfPath(points, to, from).reverse()
  const at = (share: number): PointAt => {
    let left = Math.min(1, Math.max(0, share)) * whole
    for (let i = 1; i < points.length; i++) {
      const step = distanceM(points[i - 1], points[i])
      if (left <= step || i === points.length - 1) {
        const part = step === 0 ? 0 : Math.min(1, left / step)
        const [a, b] = [points[i - 1], points[i]]
        return { x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part, z: a.z + (b.z - a.z) * part }
      }
      left -= step
    }
    return points[points.length - 1]
  }
  let run = 0
  const corners = points.flatMap((point, i) => {
    if (i > 0) run += distanceM(points[i - 1], point)
    const share = run / whole
    return share > from + 1e-9 && share < to - 1e-9 ? [point] : []
  })
  return [at(from), ...corners, at(to)]
}

/** So many places along a path, each in the middle of its share: where ties go, what a mark stands at. */
export function spreadAlong(points: readonly PointAt[], count: number): PointAt[] {
  if (points.length === 0) return []
  return Array.from({ length: count }, (_, i) => partOfPath(points, (i + 0.5) / count, (i + 0.5) / count)[0])
}
