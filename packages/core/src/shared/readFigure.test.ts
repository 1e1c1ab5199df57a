import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readFigure } from './readFigure.ts'

describe('a figure as it is typed', () => {
  test.each([
    ['12.6', 'V', 12.6],
    [' 12,6 ', undefined, 12.6],
    ['−3', 'mm', -3],
    ['–3,5 mm', 'mm', -3.5],
    ['+4', undefined, 4],
    ['.5', undefined, 0.5],
    ['0,4Ω', 'Ω', 0.4],
    ['12 v', 'V', 12],
  ])('%s, in %s, is %d', (text, unit, value) => expect(readFigure(text, unit)).toBe(value))

  test.each(['', ' ', 'x', '1.2.3', '1,234,5', '12 V', '0x10', '1e3', 'Infinity', 'NaN', '--1', '12 mV', '1 2'])(
    '“%s” is none',
    (text) => expect(readFigure(text, 'A')).toBeNull(),
  )

  test('what a screen shows of a number is read as that number, with point or comma', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9_999_999, max: 9_999_999 }), fc.integer({ min: 0, max: 3 }), (whole, places) => {
        const shown = (whole / 10 ** places).toFixed(places)
        expect(readFigure(shown)).toBeCloseTo(Number(shown), 9)
        expect(readFigure(`${shown.replace('.', ',').replace('-', '−')} mm`, 'mm')).toBeCloseTo(Number(shown), 9)
      }),
    )
  })
})
