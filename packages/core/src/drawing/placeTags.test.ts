import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { endPoint, planRoutes } from '../routing/index.ts'
import { fittings } from '../wiring/shippedCase.ts'
import { bodyView, views, type Rect } from './bodyView.ts'
import { overlaps, placeTags, type TagWanted } from './placeTags.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const tag = fc.record({ x: number(0, 100), y: number(0, 60), width: number(4, 30), height: number(4, 8) })
const wanted = fc
  .array(tag, { maxLength: 30 })
  .map((list) => list.map(({ x, y, width, height }, i): TagWanted => ({ id: `t${i}`, at: { x, y }, width, height })))
const rects = fc.array(fc.record({ x: number(0, 90), y: number(0, 50), width: number(1, 40), height: number(1, 20) }), {
  maxLength: 5,
})

function troubles(placed: readonly Rect[], taken: readonly Rect[]): number {
  let count = 0
  for (const [i, one] of placed.entries())
    count += [...placed.slice(i + 1), ...taken].filter((other) => overlaps(one, other)).length
  return count
}

describe('tags', () => {
  test('all find a place, none on another, none on what is taken', () => {
    fc.assert(
      fc.property(wanted, rects, (tags, taken) => {
        const placed = placeTags(tags, taken, 2)
        expect(placed.map(({ id }) => id)).toEqual(tags.map(({ id }) => id))
        expect(troubles(placed, taken)).toBe(0)
        placed.forEach((spot, i) => {
          const { at } = tags[i] ?? { at: { x: 0, y: 0 } }
          const inside = at.x > spot.x && at.x < spot.x + spot.width && at.y > spot.y && at.y < spot.y + spot.height
          expect(inside).toBe(false)
        })
      }),
    )
  })

  test('one alone hangs below its point', () => {
    const [spot] = placeTags([{ id: 'a', at: { x: 10, y: 10 }, width: 8, height: 4 }], [], 1)
    expect(spot).toEqual({ id: 'a', x: 6, y: 11, width: 8, height: 4 })
  })

  test('0 overlaps on every fitting that ships, from every side', () => {
    let tags = 0
    for (const { machine, kit } of fittings) {
      const plan = planRoutes(machine, kit)
      const loom = plan.ok ? plan.value.places[0] : undefined
      if (!machine.body || !loom) continue
      for (const view of views) {
        const paper = bodyView(machine.body, view)
        const unit = paper.width / 430
        const list = loom.branches.flatMap(({ end }): TagWanted[] => {
          const point = endPoint(machine, end)
          if (!point) return []
          const [x, y] = paper.at(point)
          return [{ id: end.id, at: { x, y }, width: (9 + 6.4 * end.tag.length) * unit, height: 14 * unit }]
        })
        tags += list.length
        expect(troubles(placeTags(list, [], 2 * unit), [])).toBe(0)
      }
    }
    expect(tags).toBeGreaterThan(400)
  })
})
