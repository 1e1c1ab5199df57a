import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { KitFigure } from '../dossiers/index.ts'
import { answerTo, figureFor, inUnit, isUnit, readFigures } from './index.ts'

const figures: KitFigure[] = [
  { column: 'RPM', unit: 'rpm', answers: ['idle speed', 'idle speed before'] },
  { column: 'Supply', unit: 'mV', answers: ['charging voltage'] },
  { column: 'ECT', unit: '°F', answers: ['coolant temperature'] },
  { column: 'Lam', unit: 'lambda', answers: ['mixture'], factor: 0.001, offset: 0.5 },
]
const read = (text: string) => {
  const rows = readFigures(figures, text)
  if (!rows.ok) throw new Error(rows.problems[0].message)
  return rows.value
}
const idle = { quantity: 'Idle  speed', unit: 'rpm' }

describe('what an instrument wrote', () => {
  test.each([
    ['commas', 'time,RPM,Supply\n0,900,14100\n0.5,910,14120\n'],
    ['semicolons and decimal commas', 't;rpm;supply\n0;900;14100\n0,5;910,0;14120\n'],
    ['tabs and units in the head', '\uFEFFTime (s)\tRPM [1/min]\tSupply (mV)\n0\t900\t14100\n0.5\t910\t14120\n'],
    ['JSON lines', '{"t":0,"RPM":900,"Supply":14100}\n{"t":0.5,"RPM":"910","Supply":14120}\n{"t":1,"RP'],
  ])('as %s reads alike', (_, text) => {
    const rows = read(text)
    expect(rows.map(({ values }) => Object.fromEntries(values))).toEqual([
      { RPM: 900, Supply: 14100 },
      { RPM: 910, Supply: 14120 },
    ])
    expect(rows.map(({ t }) => t)).toEqual([0, 0.5])
    expect(answerTo(figures, rows, idle)).toEqual({ column: 'RPM', value: 905, low: 900, high: 910, rows: 2 })
    expect(answerTo(figures, rows, { quantity: 'charging voltage', unit: 'V' })?.value).toBeCloseTo(14.11, 9)
  })

  test('is taken over its last two seconds, and one wild row changes nothing', () => {
    const rows = read(
      `t,RPM\n${Array.from({ length: 100 }, (_, i) => `${i / 10},${i < 80 ? 3000 : i === 95 ? 9999 : 850}`).join('\n')}`,
    )
    expect(answerTo(figures, rows, idle)).toMatchObject({ value: 850, high: 9999, rows: 21 })
  })

  test('is turned into the reading’s unit, with the dossier’s factor', () => {
    const rows = read('ECT,Lam\n194,480\n')
    expect(answerTo(figures, rows, { quantity: 'coolant temperature', unit: '°C' })?.value).toBeCloseTo(90, 9)
    expect(answerTo(figures, rows, { quantity: 'mixture', unit: 'λ' })?.value).toBeCloseTo(0.98, 9)
    expect(answerTo(figures, rows, idle)).toBeNull()
    expect(figureFor(figures, { quantity: 'idle speed', unit: 'V' })).toBeUndefined()
  })

  test.each([
    ['nothing', '', 'Nothing is there'],
    ['of other columns', 'a,b\n1,2\n', 'it has a, b; the dossier knows RPM'],
    ['no figures', 'RPM\nidle\n', 'None of its columns'],
    ['broken JSON', '{"RPM":1}\n{oops\n{"RPM":2}', 'no JSON'],
    ['too much', 'x'.repeat(4_000_001), 'more than a log'],
  ])('%s is said', (_, text, says) => {
    const rows = readFigures(figures, text)
    expect(rows.ok ? '' : rows.problems[0].message).toContain(says)
  })

  test('whatever it is, it is read or refused', () => {
    const line = fc.oneof(
      fc.string({ unit: 'binary' }),
      fc.json(),
      fc.constantFrom('RPM,RPM', '{"RPM":null}', '{"RPM":1e999}'),
    )
    fc.assert(
      fc.property(fc.array(line, { maxLength: 6 }), (lines) => {
        const rows = readFigures(figures, lines.join('\n'))
        if (rows.ok)
          for (const { values } of rows.value)
            for (const value of values.values()) expect(Number.isFinite(value)).toBe(true)
      }),
    )
  })
})

describe('units', () => {
  test('of one kind turn into one another and back', () => {
    for (const [from, to, value, is] of [
      ['psi', 'kPa', 14.5037737730922, 100],
      ['bar', 'MPa', 1600, 160],
      ['°F', '°C', 212, 100],
      ['K', '°C', 273.15, 0],
      ['mph', 'km/h', 60, 96.56064],
      ['hp', 'kW', 100, 74.569987158227],
      ['lb·ft', 'N·m', 1, 1.3558179483314],
    ] as const) {
      expect(inUnit(value, from, to)).toBeCloseTo(is, 9)
      expect(inUnit(is, to, from)).toBeCloseTo(value, 9)
    }
    expect(inUnit(1, 'V', 'bar')).toBeNull()
    expect(inUnit(1, 'steps', 'Steps')).toBe(1)
    expect([isUnit('psi'), isUnit(''), isUnit('steps')]).toEqual([true, true, false])
  })
})
