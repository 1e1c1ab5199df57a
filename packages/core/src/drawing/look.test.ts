import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { aroundAll } from './bodyView.ts'
import { lookAt, mostZoom, pushed, shownBy, wholeLook, zoomed, type Look, type Whole } from './look.ts'

const whole: Whole = { width: 4, height: 2 }
const share = fc.double({ min: 0, max: 1, noNaN: true })
const look = fc
  .tuple(share, share, fc.double({ min: 1, max: mostZoom, noNaN: true }))
  .map(([x, y, zoom]): Look => ({ x: x * (4 - 4 / zoom), y: y * (2 - 2 / zoom), zoom }))
const within = (one: Look) => {
  const shown = shownBy(one, whole)
  expect(shown.x).toBeGreaterThanOrEqual(0)
  expect(shown.y).toBeGreaterThanOrEqual(0)
  expect(shown.x + shown.width).toBeLessThanOrEqual(whole.width + 1e-9)
  expect(shown.y + shown.height).toBeLessThanOrEqual(whole.height + 1e-9)
  expect(shown.width / shown.height).toBeCloseTo(2, 9)
}

describe('what of a picture is shown', () => {
  test('never lies beyond its edge, whatever is done to it', () => {
    fc.assert(
      fc.property(
        look,
        fc.array(fc.tuple(fc.boolean(), fc.double({ min: -5, max: 5, noNaN: true }), share, share), { maxLength: 12 }),
        (start, acts) => {
          let now = start
          for (const [near, by, x, y] of acts) {
            now = near ? zoomed(now, whole, 2 ** by, [x * 4, y * 2]) : pushed(now, whole, [by, by * y])
            within(now)
          }
        },
      ),
    )
  })

  test('what is under the finger stays there when one comes nearer', () => {
    fc.assert(
      fc.property(look, share, share, fc.double({ min: 1, max: 3, noNaN: true }), (start, u, v, factor) => {
        const before = shownBy(start, whole)
        const at = [before.x + u * before.width, before.y + v * before.height] as const
        const after = shownBy(zoomed(start, whole, factor, at), whole)
        expect((at[0] - after.x) / after.width).toBeCloseTo(u, 6)
        expect((at[1] - after.y) / after.height).toBeCloseTo(v, 6)
      }),
    )
  })

  test('a place that is looked at is shown whole', () => {
    fc.assert(
      fc.property(share, share, share, share, (u, v, w, h) => {
        const target = { x: u * 3.9, y: v * 1.9, width: w * (4 - u * 3.9), height: h * (2 - v * 1.9) }
        const seen = lookAt(target, whole, 1 + u)
        within(seen)
        const shown = shownBy(seen, whole)
        expect(shown.x).toBeLessThanOrEqual(target.x + 1e-9)
        expect(shown.y + shown.height).toBeGreaterThanOrEqual(target.y + target.height - 1e-9)
        expect(shown.x + shown.width).toBeGreaterThanOrEqual(target.x + target.width - 1e-9)
      }),
    )
  })

  test('out again is the whole, and around several is what holds them', () => {
    expect(zoomed({ x: 1, y: 1, zoom: 4 }, whole, 0.01, [3, 1])).toEqual(wholeLook)
    expect(aroundAll([])).toBeNull()
    const [one, other] = [
      { x: 1, y: 1, width: 1, height: 0.5 },
      { x: 0.5, y: 1.2, width: 0.2, height: 0.6 },
    ]
    expect(aroundAll([one, other])).toMatchObject({ x: 0.5, y: 1, width: 1.5 })
  })
})
