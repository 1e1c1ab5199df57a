import { describe, expect, test } from 'vitest'
import { fittings } from '../wiring/shippedCase.ts'
import {
  airflowChange,
  airflowNet,
  beforeTurbine,
  coolDownLeft,
  ladderFor,
  laddersByUse,
  runFromLog,
  thresholds,
  usualLimits,
  type LevelLimit,
} from './index.ts'

const limits: LevelLimit[] = [
  { quantity: 'exhaust', max: 700, forSeconds: 60, at: 'before the turbine' },
  { quantity: 'rail', max: 195 },
]
const run = (level: number, exhaust: number, use?: 'towing' | 'long grade') => ({
  level,
  readings: { exhaust: { value: exhaust, seconds: 90, at: 'before the turbine' }, rail: 170 },
  ...(use ? { use } : {}),
})

describe('ladders by use', () => {
  const ladders = laddersByUse(3, limits, [
    run(0, 500),
    run(1, 560),
    run(2, 640),
    run(0, 600, 'towing'),
    run(1, 720, 'towing'),
  ])
  test('each use has its own, unsaid is unladen', () => {
    expect(ladders).toMatchObject([
      { use: 'unladen', highestAllowed: 2, next: 3 },
      { use: 'towing', highestAllowed: 0, next: null },
    ])
  })
  test('a use in words is judged by its own, an unknown one by the strictest', () => {
    expect(ladderFor(ladders, 'Towing hut loads')?.use).toBe('towing')
    expect(ladderFor(ladders, 'empty, to town')?.use).toBe('unladen')
    expect(ladderFor(ladders, 'whatever')?.use).toBe('towing')
    expect(ladderFor([], 'whatever')).toBeUndefined()
  })
  test('the next run waits for three minutes of cooling', () => {
    expect(coolDownLeft(undefined, 0)).toBe(0)
    expect(coolDownLeft(0, 60_000)).toBe(120)
    expect(coolDownLeft(0, 200_000)).toBe(0)
  })
})

describe('a loaded run out of a log', () => {
  /** Rises, holds, rises again: s, °C, MPa as bar. */
  const log = (hold: number) => {
    const lines = ['time (s);EGT pre turbo (°C);coolant;rail pressure (bar)']
    for (let t = 0; t < 40; t++) lines.push(`${t};${400 + 6 * t};88;1500`)
    for (let t = 0; t < hold; t++) lines.push(`${40 + t};${640 + 0.2 * t};${90 + t / 60};${1600 + (t % 7)}`)
    for (let t = 0; t < 30; t++) lines.push(`${40 + hold + t};${700 + 5 * t};95;1700`)
    return lines.join('\n')
  }
  test('its steady part, the highest in it, and how long it was held', () => {
    const made = runFromLog(log(90), limits)
    if (!made.ok) throw new Error(made.problems[0].message)
    const { readings, fromS, toS } = made.value
    expect(fromS).toBeGreaterThan(38)
    expect(toS).toBeLessThan(136)
    expect(readings.exhaust?.seconds).toBeGreaterThan(70)
    expect(readings.exhaust?.value).toBeGreaterThan(655)
    expect(readings.exhaust?.value).toBeLessThan(665)
    expect(readings.rail?.value).toBeCloseTo(160.6, 1)
    expect(readings.exhaust?.at).toBe('before the turbine')
  })
  test.each([
    ['nothing', '', /Nothing is there/],
    ['no exhaust', 'time;rail\n1;2', /No column is the exhaust/],
    [
      'only rising',
      `t;egt\n${Array.from({ length: 60 }, (_item, t) => `${t};${400 + 5 * t}`).join('\n')}`,
      /Nothing in it is steady/,
    ],
    ['backwards', 't;egt\n5;400\n4;400\n3;400', /backwards/],
  ])('%s is refused with why', (_name, csv, says) => {
    const made = runFromLog(csv, limits)
    expect(made.ok ? '' : made.problems[0].message).toMatch(says)
  })
  test('an exhaust read behind the turbine is judged by the hottest it may have been', () => {
    expect(beforeTurbine(480)).toEqual({ likelyC: 630, seC: 25, hottestC: 680 })
  })
})

describe('a changed airflow signal', () => {
  test('where the oxygen sensor holds the mixture the fuel comes back and the ignition stays moved', () => {
    expect(airflowNet({ changePct: -8, throttle: 0.3 })).toMatchObject({
      ...{ netFuelPct: 0, takenBackPct: -8, closedLoop: true, ignitionDeg: expect.closeTo(0.96, 6) as number },
    })
  })
  test('it takes back no more than it reaches, and nothing at full throttle', () => {
    expect(airflowNet({ changePct: 30, throttle: 0.3 })).toMatchObject({ netFuelPct: 5, takenBackPct: 25 })
    expect(airflowNet({ changePct: 6, throttle: 1 })).toMatchObject({
      netFuelPct: 6,
      ignitionDeg: expect.closeTo(-0.72, 6) as number,
    })
    expect(airflowNet({ changePct: 0, throttle: 1 })).toMatchObject({ netFuelPct: 0, ignitionDeg: 0 })
  })
  test('between the curves for light and full throttle it goes straight', () => {
    const curves = { lightPct: -4, fullPct: 8 }
    expect([0, 0.2, 0.6, 1, 2].map((throttle) => Math.round(100 * airflowChange(curves, throttle)) / 100)).toEqual([
      -4, -4, 2, 8, 8,
    ])
  })
})

test('every alarm of every machine warns under its limit, and none is made up for what has no limit', () => {
  for (const { machine } of fittings) {
    const limits = new Map(usualLimits(machine).map(({ quantity, max }) => [quantity, max]))
    for (const { quantity, warnAt, limit } of thresholds(machine)) {
      expect(limit).toBe(limits.get(quantity))
      expect(warnAt).toBeLessThan(limit)
    }
    expect(thresholds(machine).length).toBe(limits.size)
  }
})
