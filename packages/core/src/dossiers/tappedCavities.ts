import type { FaceSide } from './faceGeometry.ts'
import type { Cavity } from './model.ts'

/** A cavity tapped on a photo, px from its top left. */
export interface Tap {
  number: number
  x: number
  y: number
}

/** Places within this share of the pitch of each other are in one row or column: nobody taps straighter. */
const sameLine = 0.35

/**
 * The face of a plug from taps on a photo of it: rows and columns made straight, half a pitch left around them.
 * @param side it was taken from; the mating side is turned over, as the document is kept from the wire side
 * @returns places in tenths of the face, 0 to 10, in the order of their numbers; empty without taps
 */
export function tappedCavities(taps: readonly Tap[], side: FaceSide): Cavity[] {
  if (taps.length === 0) return []
  const pitch = closest(taps)
  const xs = straightened(
    taps.map(({ x }) => (side === 'mating side' ? -x : x)),
    pitch * sameLine,
  )
  const ys = straightened(
    taps.map(({ y }) => y),
    pitch * sameLine,
  )
  return taps
    .map(({ number }, i) => ({ number, x: onFace(xs, xs[i], pitch), y: onFace(ys, ys[i], pitch) }))
    .sort((a, b) => a.number - b.number)
}

/** The least distance between two taps; one alone has all the room there is. */
function closest(taps: readonly Tap[]): number {
  let least = Infinity
  taps.forEach((a, i) => {
    for (const b of taps.slice(i + 1)) least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y))
  })
  return Number.isFinite(least) && least > 0 ? least : 1
}

/** Values that lie together are moved to their middle. */
function straightened(values: readonly number[], within: number): number[] {
  const order = values.map((_, i) => i).sort((a, b) => values[a] - values[b])
  const made = [...values]
  let group: number[] = []
  const settle = () => {
    const middle = group.reduce((sum, i) => sum + values[i], 0) / group.length
    for (const i of group) made[i] = middle
  }
  for (const i of order) {
    const last = group.at(-1)
    if (last !== undefined && values[i] - values[last] > within) {
      settle()
      group = []
    }
    group.push(i)
  }
  if (group.length > 0) settle()
  return made
}

/** Where a value lies on the face, half a step of its own lines around it. */
function onFace(all: readonly number[], value: number, pitch: number): number {
  const lines = [...new Set(all)].sort((a, b) => a - b)
  const [low] = lines
  const high = lines[lines.length - 1]
  const step = lines.length > 1 ? Math.min(...lines.slice(1).map((line, i) => line - lines[i])) : pitch
  return Math.round(((value - low + step / 2) / (high - low + step)) * 1000) / 100
}
