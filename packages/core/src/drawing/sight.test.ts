import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { PointAt } from '../dossiers/index.ts'
import { shippedMachine } from '../wiring/shippedCase.ts'
import { views } from './bodyView.ts'
import { bySight, isInSight } from './sight.ts'

const { body } = shippedMachine('hallam-voss-packhorse-62')
if (!body) throw new Error('the pickup has a size')
const point = fc.record({
  x: fc.double({ min: 0, max: 6, noNaN: true }),
  y: fc.double({ min: -1, max: 1, noNaN: true }),
  z: fc.double({ min: 0, max: 2, noNaN: true }),
})

test('from inside only what lies in the cabin is in sight', () => {
  const body = { form: 'car' as const, lengthM: 5, widthM: 1.8, heightM: 1.5, wheelbaseM: 2.8, wheelM: 0.6 }
  expect([1, 1.5, 2, 3, 4].map((x) => isInSight({ x }, body, 'inside'))).toEqual([false, true, true, true, false])
  expect(isInSight({ x: 4 }, body, 'top')).toBe(true)
})

test('the stretches are the whole line, each begins where the last one ended, and they take turns', () => {
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 9 }), fc.constantFrom(...views), (line, view) => {
      const stretches = bySight(line, body, view)
      expect(stretches.flatMap(({ points }, i) => (i === 0 ? points : points.slice(1)))).toEqual(line)
      stretches.forEach((stretch, i) => {
        if (i === 0) return
        expect(stretch.points[0]).toBe(stretches[i - 1]?.points.at(-1))
        expect(stretch.behind).not.toBe(stretches[i - 1]?.behind)
      })
    }),
  )
})

test('what is behind from the left is before from the right, and what is low is behind from above', () => {
  const line = (y: number, z: number): PointAt[] => [
    { x: 1, y, z },
    { x: 2, y, z },
  ]
  const behind = (points: PointAt[], view: (typeof views)[number]) =>
    bySight(points, body, view).map((one) => one.behind)
  expect(behind(line(0.8, 1), 'side')).toEqual([true])
  expect(behind(line(0.8, 1), 'right')).toEqual([false])
  expect(behind(line(-0.8, 1), 'side')).toEqual([false])
  expect(behind(line(0, 0.3), 'top')).toEqual([true])
  expect(behind(line(0, 0.3), 'below')).toEqual([false])
  expect(behind(line(0, 1.9), 'below')).toEqual([true])
  expect(bySight([], body, 'top')).toEqual([])
})
