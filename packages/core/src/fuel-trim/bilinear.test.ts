import fc from 'fast-check'
import { expect, test } from 'vitest'
import { AxisCursor, locate, tableAt, tableReader, targetAt, targetReader } from './bilinear.ts'

const axis = fc
  .uniqueArray(fc.integer({ min: 0, max: 1000 }), { minLength: 2, maxLength: 12 })
  .map((points) => points.sort((a, b) => a - b))

test('a place lies in its interval, and outside it is held at the edge', () => {
  fc.assert(
    fc.property(axis, fc.double({ min: -200, max: 1200, noNaN: true }), (points, value) => {
      const { low, share } = locate(points, value)
      const held = Math.max(points[0], Math.min(points[points.length - 1], value))
      expect(points[low] + (points[low + 1] - points[low]) * share).toBeCloseTo(held, 6)
      expect(share).toBeGreaterThanOrEqual(0)
      expect(share).toBeLessThanOrEqual(1)
    }),
  )
})

test('a plane is met exactly, nodes included', () => {
  fc.assert(
    fc.property(
      axis,
      axis,
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (rpm, load, u, v) => {
        const plane = (x: number, y: number) => 3 + 0.01 * x - 0.02 * y
        const table = rpm.map((x) => load.map((y) => plane(x, y)))
        const x = rpm[0] + (rpm[rpm.length - 1] - rpm[0]) * u
        const y = load[0] + (load[load.length - 1] - load[0]) * v
        expect(tableAt(rpm, load, table, x, y)).toBeCloseTo(plane(x, y), 8)
        expect(tableAt(rpm, load, table, rpm[1], load[1])).toBeCloseTo(table[1][1], 10)
      },
    ),
  )
})

test('a target is one figure or a table', () => {
  expect(targetAt({ afr: 13.2 }, 3000, 50)).toBe(13.2)
  const table = {
    rpm: [1000, 3000],
    load: [0, 100],
    afr: [
      [14, 13],
      [14, 12],
    ],
  }
  expect(targetAt(table, 2000, 100)).toBeCloseTo(12.5, 12)
  expect(targetAt(table, 9000, 200)).toBe(12)
})

test('read one after the other, places and values are those of each by itself', () => {
  const value = fc.double({ min: -200, max: 1200, noNaN: true })
  fc.assert(
    fc.property(axis, axis, fc.array(fc.tuple(value, value), { maxLength: 20 }), (rpm, load, points) => {
      const afr = rpm.map((x, i) => load.map((y, j) => 14 - 0.001 * x + 0.01 * ((i * 7 + j * 5 + y) % 11)))
      const [atRpm, atLoad, read] = [new AxisCursor(rpm), new AxisCursor(load), tableReader(afr)]
      const [aimed, target] = [targetReader({ rpm, load, afr }), { rpm, load, afr }]
      for (const [x, y] of points) {
        atRpm.seek(x)
        atLoad.seek(y)
        const { low, share } = locate(rpm, x)
        expect([atRpm.low, atRpm.share, atRpm.width]).toEqual([low, share, rpm[low + 1] - rpm[low]])
        expect(read(atRpm, atLoad)).toBe(tableAt(rpm, load, afr, x, y))
        expect(aimed(x, y)).toBe(targetAt(target, x, y))
      }
    }),
  )
  expect(targetReader({ afr: 13.2 })(3000, 50)).toBe(13.2)
})
