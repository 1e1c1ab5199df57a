import { describe, expect, test } from 'vitest'
import { judgePulls, shiftPoints, type PullConditions, type PullMade, type PullTime } from './index.ts'

const pull = (
  when: PullTime,
  conditions: PullConditions = {},
  at = '2026-06-01T10:00:00Z',
): PullMade & { at: string } => ({
  ...{ when, name: when, points: [], factor: 1, warnings: [], at },
  peakPower: { kw: 100, rpm: 3000, speedKmh: null },
  peakTorque: { nm: 300, rpm: 2000 },
  conditions,
})
const notes = (list: ReturnType<typeof pull>[], boosted = true) => judgePulls(list, { boosted }).notes.join(' ')

describe('what pulls were driven in', () => {
  test('one for warming does not count, and that is said of it', () => {
    const judged = judgePulls([pull('before', { warmUp: true }), pull('before'), pull('after')], { boosted: true })
    expect([judged.before.length, judged.after.length]).toEqual([1, 1])
    expect(judged.left).toMatchObject([{ why: expect.stringMatching(/warming/) as string }])
  })
  test('stock, level, stock on one day, alike and both ways, leaves nothing to say', () => {
    const alike: PullConditions = {
      intakeC: 22,
      oilC: 95,
      exhaustC: 180,
      gear: '4',
      massKg: 3200,
      outsideC: 15,
      pressureKPa: 96,
    }
    const both = (when: PullTime) =>
      (['there', 'back'] as const).map((direction) => pull(when, { ...alike, direction }))
    expect(notes([...both('before'), ...both('after'), ...both('before')])).toBe('')
  })
  const day = (conditions: PullConditions[], when: PullTime = 'after') => [
    pull('before', conditions[0]),
    ...conditions.slice(1).map((one) => pull(when, one)),
    pull('before', conditions[0]),
  ]
  test.each<[string, PullConditions[], RegExp]>([
    ['warmer intake air', [{ intakeC: 20 }, { intakeC: 26 }], /Intake air from 20 to 26/],
    ['cold oil', [{ oilC: 80 }, { oilC: 99 }], /Oil from 80 to 99/],
    ['a hot exhaust', [{ exhaustC: 260 }, {}], /250 °C or more/],
    ['an open converter', [{ locked: false }, { locked: true }], /not locked/],
    ['one direction', [{ direction: 'there' }, { direction: 'there' }], /one direction only/],
    ['wind', [{ windKmh: 25 }, {}], /Wind of 25/],
    ['another gear', [{ gear: '4' }, { gear: '3' }], /Gear 4 on stock, 3/],
    ['other tyres', [{ tyreHeightM: 0.8 }, { tyreHeightM: 0.84 }], /differ by 5\.0 %/],
    ['more load', [{ massKg: 3000 }, { massKg: 3300 }], /3000 kg and 3300 kg/],
    [
      'another weather',
      [{ pressureKPa: 96 }, { pressureKPa: 99 }],
      /differs by 3\.0 kPa: no correction is for a boosted/,
    ],
    ['a warmer day', [{ outsideC: 5 }, { outsideC: 25 }], /20 K/],
  ])('%s is named', (_name, conditions, says) => {
    expect(notes(day(conditions))).toMatch(says)
  })
  test('within what is alike nothing is named', () => {
    expect(
      notes(
        day([
          { intakeC: 20, oilC: 90, tyreHeightM: 0.8 },
          { intakeC: 25, oilC: 95, tyreHeightM: 0.803 },
        ]),
      ),
    ).toBe('')
  })
  test('weather of an engine that breathes freely counts where it was corrected', () => {
    expect(notes(day([{ pressureKPa: 96 }, { pressureKPa: 99 }]), false)).toMatch(/only where a correction was taken/)
  })
  test('stock not driven again, and two days, are said', () => {
    const said = notes([pull('before'), pull('after', {}, '2026-06-03T10:00:00Z')])
    expect(said).toMatch(/not driven again/)
    expect(said).toMatch(/not of one day/)
  })
})

describe('where to change up', () => {
  const flat = Array.from({ length: 31 }, (_item, i) => ({
    rpm: 1000 + 100 * i,
    powerKw: (300 * (1000 + 100 * i)) / 9549,
  }))
  const round = flat.map(({ rpm }) => ({ rpm, powerKw: 100 * Math.sin((Math.PI * rpm) / 5000) }))
  test('torque that never falls is driven to the limiter', () => {
    expect(shiftPoints(flat, [3.8, 2.3, 1.5], 3900)).toMatchObject({
      value: [
        { from: 1, rpm: 3900, atLimiter: true },
        { from: 2, rpm: 3900, atLimiter: true },
      ],
    })
  })
  test('else where the next gear pulls as hard, checked against every speed one by one', () => {
    const ratios = [3, 2.2, 1.6]
    const made = shiftPoints(round, ratios, 4000)
    if (!made.ok) throw new Error(made.problems[0].message)
    const power = (rpm: number) => 100 * Math.sin((Math.PI * rpm) / 5000)
    for (const { from, rpm, thenRpm, atLimiter } of made.value) {
      expect(atLimiter).toBe(false)
      // At one road speed the power is what tells: equal before and after.
      expect(Math.abs(power(rpm) / power(thenRpm) - 1)).toBeLessThan(0.02)
      expect(thenRpm / rpm).toBeCloseTo((ratios[from] ?? 0) / (ratios[from - 1] ?? 1), 6)
    }
  })
  test('gears out of order are refused', () => {
    const made = shiftPoints(flat, [1, 2], 4000)
    expect(made.ok ? '' : made.problems[0].message).toMatch(/shortest to the longest/)
  })
})
