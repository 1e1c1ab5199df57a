import type { Body } from '../dossiers/index.ts'
import { partIdOf } from './changed.ts'
import type { DrawnPart } from './partsOf.ts'
import { block, straight, type Point, type Scene, type Shape } from './scene.ts'

/** What lies so far to one side, share of the width, is drawn behind everything from the other. */
const aside = 0.08

/** The shapes from the right: of those from the left, what lies on the right comes to the front and what lies on the left goes to the back. */
export function fromRight(side: Scene, parts: readonly DrawnPart[], { widthM }: Body): Scene {
  const middles = new Map(
    parts.map(({ id, low, high }) => [id, low.y === undefined || high.y === undefined ? 0 : (low.y + high.y) / 2]),
  )
  const rank = (shape: Shape) => {
    const y = middles.get(partIdOf(shape.part)) ?? 0
    return y < -aside * widthM ? -1 : y > aside * widthM ? 1 : 0
  }
  return [-1, 0, 1].flatMap((place) => side.filter((shape) => rank(shape) === place))
}

/** What begins above this share of the height is not seen from below. */
const hiddenAbove = 0.42

/** Nor what lies on top of what does begin below it. */
const onTop: ReadonlySet<string> = new Set([
  'seat',
  'tank',
  'bonnet',
  'bed',
  'fairing',
  'filler cap',
  'front body',
  'rear body',
])

/** Parts that hang under a machine though they are drawn from its side alone; the others are seen on the shapes from above. */
const under: ReadonlySet<string> = new Set([
  'frame',
  'ladder frame',
  'gearbox',
  'prop shaft',
  'sump',
  'exhaust pipe',
  'mid pipe',
  'particle filter',
  'catalyst',
  'rail',
])

/** Lines from above that have no height of their own and are seen from below all the same. */
const seenLow: ReadonlySet<string> = new Set(['tread', 'body', 'suspension arm'])

/** The shapes from below: of those from above what is low, and under them what hangs there, each along its own length. */
export function fromBelow(top: Scene, side: Scene, parts: readonly DrawnPart[], { heightM, widthM }: Body): Scene {
  const byId = new Map(parts.map((part) => [part.id, part]))
  const seen = top.filter(({ part }) => {
    if (onTop.has(part)) return false
    const z = byId.get(partIdOf(part))?.low.z
    return seenLow.has(part) || (z !== undefined && z < hiddenAbove * heightM)
  })
  const hanging = parts
    .filter(({ name, low }) => under.has(name) && low.y === undefined)
    .flatMap(({ name, low, high }): Shape[] => {
      const from = side.find((shape) => shape.part === name)
      if (!from || low.z === undefined || high.z === undefined) return []
      const middle = (low.x + high.x) / 2
      const along = high.x - low.x
      if (name === 'frame' || name === 'ladder frame')
        return [-1, 1].map((hand): Shape => ({
          part: name,
          tone: from.tone,
          edge: 1,
          d: block([middle, hand * widthM * 0.2], along, widthM * 0.05),
        }))
      if (from.tubeM !== undefined || name === 'prop shaft') {
        const ends: Point[] = [
          [low.x, 0],
          [high.x, 0],
        ]
        const tone = from.tone === 'open' ? 'far' : from.tone
        return [{ part: name, tone, edge: 1, d: straight(ends, false), tubeM: from.tubeM ?? widthM * 0.03 }]
      }
      const across = Math.min(high.z - low.z, widthM * 0.3)
      return [{ part: name, tone: from.tone, edge: 1, d: block([middle, 0], along, across) }]
    })
  return [...seen, ...hanging]
}
