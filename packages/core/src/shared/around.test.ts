import fc from 'fast-check'
import { expect, test } from 'vitest'
import { around } from './around.ts'

test('forth and back is where one was; a whole round too', () => {
  fc.assert(
    fc.property(
      fc.array(fc.nat(), { minLength: 1, maxLength: 9 }),
      fc.nat(),
      fc.integer({ min: -9, max: 9 }),
      (list, n, step) => {
        const places = list.map((_, i) => i)
        const from = n % list.length
        const there = around(places, from, step)
        expect(there).toBe((((from + step) % list.length) + list.length) % list.length)
        expect(around(places, there ?? -1, -step)).toBe(from)
      },
    ),
  )
})

test('none is in hand yet: forward begins at the first, back at the last but one of the way round', () => {
  expect([around(['a', 'b', 'c'], -1, 1), around([], 0, 1)]).toEqual(['a', undefined])
})
