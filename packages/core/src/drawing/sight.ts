import type { Body, PointAt } from '../dossiers/index.ts'
import type { View } from './bodyView.ts'

/** A stretch of a line that is in front of the machine, or behind it. */
export interface Stretch {
  points: PointAt[]
  behind: boolean
}

/** So far beyond the middle, share of the width or height, the machine is in front of a thing. */
const beyond = 0.1

/** A cabin reaches from its bulkhead to behind its seats, shares of the length. */
const cabin: readonly [number, number] = [0.28, 0.62]

/** Whether a thing belongs into a view at all: from inside only what lies in the cabin does. */
export function isInSight({ x }: Pick<PointAt, 'x'>, { lengthM }: Body, view: View): boolean {
  return view !== 'inside' || (x >= cabin[0] * lengthM && x <= cabin[1] * lengthM)
}

/** The middle of points; of none the origin. */
export function middleOf(points: readonly PointAt[]): PointAt {
  const count = Math.max(1, points.length)
  const mean = (axis: 'x' | 'y' | 'z') => points.reduce((sum, point) => sum + point[axis], 0) / count
  return { x: mean('x'), y: mean('y'), z: mean('z') }
}

/** Whether the machine is between the eye and a point. */
function isBehind({ x, y, z }: PointAt, { lengthM, widthM, heightM }: Body, view: View): boolean {
  if (view === 'side') return y > beyond * widthM
  if (view === 'right') return y < -beyond * widthM
  // From a seat the bulkhead hides what lies before it.
  if (view === 'inside') return x < cabin[0] * lengthM
  const middle = heightM / 2
  return view === 'top' ? z < middle - 2 * beyond * heightM : z > middle + 2 * beyond * heightM
}

/** A line as its stretches before and behind the machine, each to the corner where the next begins. */
export function bySight(points: readonly PointAt[], body: Body, view: View): Stretch[] {
  const stretches: Stretch[] = []
  for (const [i, to] of points.entries()) {
    const from = points[i - 1]
    if (i === 0 || !from) continue
    const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, z: (from.z + to.z) / 2 }
    const behind = isBehind(middle, body, view)
    const last = stretches.at(-1)
    if (last?.behind === behind) last.points.push(to)
    else stretches.push({ points: [from, to], behind })
  }
  return stretches
}
