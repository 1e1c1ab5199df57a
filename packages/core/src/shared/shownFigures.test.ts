import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { awgAreaMm2 } from './wireGauge.ts'
import { shownFigures, type FigureForm } from './shownFigures.ts'

const us: FigureForm = { units: 'US', decimals: 'point' }
const comma: FigureForm = { units: 'metric', decimals: 'comma' }

describe('figures in US units', () => {
  test.each([
    ['320 mm of loom', '12.6 in (320 mm) of loom'],
    ['140 × 100 × 45 mm', '5.5 × 3.9 × 1.8 in (140 × 100 × 45 mm)'],
    ['0.35 m, 4.2 m', '13.8 in (0.35 m), 13.8 ft (4.2 m)'],
    ['20–30 °C', '68–86 °F (20–30 °C)'],
    ['down to −20 °C.', 'down to -4 °F (−20 °C).'],
    ['22 N·m and 3 N·m', '16 lbf·ft (22 N·m) and 27 lbf·in (3 N·m)'],
    ['at 97 km/h', 'at 60 mph (97 km/h)'],
    ['205 MPa, 81.5 kPa', '29730 psi (205 MPa), 11.8 psi (81.5 kPa)'],
    ['27 kg', '60 lb (27 kg)'],
    ['0.5 mm² wire', 'AWG 20 (0.5 mm²) wire'],
    ['2.5 mm², 180 mm² free', 'AWG 13 (2.5 mm²), 180 mm² free'],
    ['5 to 8 mm', '0.20 to 0.31 in (5 to 8 mm)'],
    ['1,5 mm', '0.06 in (1,5 mm)'],
  ])('%s', (text, wanted) => {
    expect(shownFigures(text, us)).toBe(wanted)
  })

  test.each([
    '2 screws M6x20 hex socket 5',
    '13.8 V',
    '7.5 A',
    '3 min',
    'Gorse 430',
    'in 2 m² of it',
    '12 mm/s',
    '10 ms',
    'v0.6.1',
  ])('%s stays as it is', (text) => {
    expect(shownFigures(text, us)).toBe(text)
  })

  test('say the same as what stays in brackets, and come out the same when shown twice', () => {
    const unit = fc.constantFrom('mm', 'm', '°C', 'N·m', 'kPa', 'kg', 'km/h')
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), unit, (tenths, metric) => {
        const text = `about ${tenths / 10} ${metric} there`
        const shown = shownFigures(text, us)
        expect(shown).toContain(`(${tenths / 10} ${metric})`)
        expect(shownFigures(shown, us)).toBe(shown)
        if (metric === '°C') expect(Number(/about ([\d.]+) °F/.exec(shown)?.[1])).toBe(Math.round(tenths * 0.18 + 32))
      }),
    )
  })

  test('a gauge comes back as itself', () => {
    for (const gauge of [11, 14, 16, 18, 20, 22, 24])
      expect(shownFigures(`${awgAreaMm2(gauge).toFixed(3)} mm²`, us)).toMatch(new RegExp(`^AWG ${gauge} `))
  })
})

describe('a decimal comma', () => {
  test.each([
    ['12.46 V and 0.5 mm²', '12,46 V and 0,5 mm²'],
    ['1.06, 1.24', '1,06, 1,24'],
    ['192.168.1.4, v0.6.1, 3.jpg and 12:30', '192.168.1.4, v0.6.1, 3.jpg and 12:30'],
    ['ends at 4. 5 follow', 'ends at 4. 5 follow'],
  ])('%s', (text, wanted) => {
    expect(shownFigures(text, comma)).toBe(wanted)
    expect(shownFigures(wanted, comma)).toBe(wanted)
  })

  test('with US units as well', () => {
    expect(shownFigures('0.35 m', { units: 'US', decimals: 'comma' })).toBe('13,8 in (0,35 m)')
  })
})
