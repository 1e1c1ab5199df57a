import { describe, expect, test } from 'vitest'
import { seededRandom } from '../shared/index.ts'
import {
  comparePulls,
  findPulls,
  heldGear,
  readPullCsv,
  workOutCoastDown,
  workOutPull,
  type CoastAsked,
  type Pull,
} from './index.ts'
import { anyVehicle, drive } from './pullCase.ts'
import { coast, driveOnBelt, rideWithPulls } from './roadDriveCase.ts'

const work = (asked: Parameters<typeof workOutPull>[0]): Pull => {
  const made = workOutPull(asked)
  if (!made.ok) throw new Error(made.problems[0].message)
  return made.value
}

describe('coasting down', () => {
  const refused = (asked: CoastAsked) => {
    const made = workOutCoastDown(asked)
    return made.ok ? 'worked out' : made.problems[0].message
  }
  test('tells drag and rolling within their own errors, of two hundred vehicles there and back on a slope nobody said', () => {
    const random = seededRandom(3)
    let [covered, counted] = [0, 0]
    for (let seed = 0; seed < 200; seed++) {
      const vehicle = {
        massKg: random.between(300, 3500),
        dragAreaM2: random.between(0.5, 1.7),
        rolling: random.between(0.01, 0.03),
      }
      const slope = random.between(-0.004, 0.004)
      const runs = [slope, -slope].map((one, i) => ({ rows: coast(vehicle, 2 * seed + i, { slope: one }) }))
      const made = workOutCoastDown({
        runs,
        massKg: vehicle.massKg,
        air: { pressureKPa: 101.325, tempC: 15, humidityPct: 0 },
      })
      if (!made.ok) throw new Error(made.problems[0].message)
      const { dragAreaM2, dragSeM2, rolling, rollingSe } = made.value
      expect(Math.abs(dragAreaM2 / vehicle.dragAreaM2 - 1)).toBeLessThan(0.04)
      expect(Math.abs(rolling / vehicle.rolling - 1)).toBeLessThan(0.05)
      for (const [off, se] of [
        [dragAreaM2 - vehicle.dragAreaM2, dragSeM2],
        [rolling - vehicle.rolling, rollingSe],
      ] as const) {
        counted++
        if (Math.abs(off) < 2 * se) covered++
      }
    }
    expect(covered / counted).toBeGreaterThan(0.9)
  })
  test('a slope that is said is taken out of one direction alone, and that it is one is said', () => {
    const vehicle = { massKg: 1500, dragAreaM2: 0.7, rolling: 0.012 }
    const made = workOutCoastDown({ runs: [{ rows: coast(vehicle, 1, { slope: 0.005 }), slope: 0.005 }], massKg: 1500 })
    expect(made).toMatchObject({
      ok: true,
      value: { warnings: expect.arrayContaining([expect.stringMatching(/One direction/)]) },
    })
    expect(made.ok && Math.abs(made.value.rolling / 0.012 - 1)).toBeLessThan(0.05)
  })
  test.each<[string, CoastAsked['runs'], RegExp]>([
    ['none', [], /No run/],
    [
      'a pull',
      [
        {
          rows: coast({ massKg: 900, dragAreaM2: 1, rolling: 0.02 }, 1)
            .toReversed()
            .map((row, t) => ({ ...row, t })),
        },
      ],
      /rises: that is a pull/,
    ],
    [
      'too short a fall',
      [{ rows: coast({ massKg: 900, dragAreaM2: 1, rolling: 0.02 }, 1, { toKmh: 90 }) }],
      /cannot be told apart/,
    ],
    [
      'two lines',
      [
        {
          rows: [
            { t: 0, speedKmh: 90 },
            { t: 9, speedKmh: 40 },
          ],
        },
      ],
      /2 lines are no coasting/,
    ],
    [
      'in gear',
      [
        {
          rows: coast({ massKg: 900, dragAreaM2: 1, rolling: 0.02 }, 1).map((row) => ({
            ...row,
            rpm: row.speedKmh * 40,
          })),
        },
      ],
      /in gear/,
    ],
    [
      'downhill',
      [{ rows: coast({ massKg: 900, dragAreaM2: 1.2, rolling: 0.02 }, 1, { slope: -0.019 }), slope: 0.03 }],
      /downhill/,
    ],
    [
      'time that stands',
      [{ rows: coast({ massKg: 900, dragAreaM2: 1, rolling: 0.02 }, 1).map((row) => ({ ...row, t: 1 })) }],
      /Time does not run on/,
    ],
  ])('%s is refused with what is likely wrong', (_name, runs, says) => {
    expect(refused({ runs, massKg: 900 })).toMatch(says)
  })
})

describe('pulls within a ride', () => {
  test.each([1, 2, 3, 4, 5, 6, 7, 8])('two of them are found where they are, and nothing else (%i)', (seed) => {
    const { rows, pulls } = rideWithPulls(anyVehicle(seed), seed)
    const found = findPulls(rows)
    if (!found.ok) throw new Error(found.problems[0].message)
    expect(found.value.length).toBe(2)
    for (const [i, { fromS, toS }] of found.value.entries()) {
      expect(Math.abs(fromS - (pulls[i]?.from ?? 0))).toBeLessThan(0.8)
      expect(Math.abs(toS - (pulls[i]?.to ?? 0))).toBeLessThan(0.8)
    }
  })
  const ride = rideWithPulls(anyVehicle(4), 9).rows
  test.each<[string, typeof ride, RegExp]>([
    ['without a throttle', ride.map(({ throttlePct: _gone, ...row }) => row), /throttle is not in this log/],
    ['never opened', ride.map((row) => ({ ...row, throttlePct: 30 })), /at most 30 %/],
    ['0 to 1', ride.map((row) => ({ ...row, throttlePct: (row.throttlePct ?? 0) / 100 })), /in per cent/],
    ['open and standing', ride.map((row) => ({ ...row, rpm: 2000, speedKmh: 40, throttlePct: 99 })), /rises nowhere/],
  ])('%s is refused with why', (_name, rows, says) => {
    const found = findPulls(rows)
    expect(found.ok ? 'found' : found.problems[0].message).toMatch(says)
  })
  test('the throttle is read from a log by its name', () => {
    const read = readPullCsv('Time (s);Drehzahl (1/min);Speed (km/h);TPS (%)\n0;2000;40;12\n1;2100;42;98,5')
    expect(read).toMatchObject({ ok: true, value: [{ throttlePct: 12 }, { throttlePct: 98.5 }] })
  })
})

describe('a belt', () => {
  const road = { massKg: 450, dragAreaM2: 0.8, rolling: 0.02 }
  const pulls = (times: number, from: number) =>
    [0, 1, 2].map((seed) => work({ rows: driveOnBelt(from + seed, { times }), road, aspiration: 'boosted' }))
  test('holds the engine: the pull is what the road speed rises over, and it is laid over others by that', () => {
    const [before, after] = [pulls(1, 1), pulls(1.1, 10)]
    for (const pull of before) {
      expect(heldGear(pull)).toBe('belt')
      expect((pull.points.at(-1)?.speedKmh ?? 0) - (pull.points[0]?.speedKmh ?? 0)).toBeGreaterThan(60)
    }
    const compared = comparePulls(before, after)
    if (!compared.ok) throw new Error(compared.problems[0].message)
    const { axis, curve, meanGainKw, gainPowerKw, shown, reasons } = compared.value
    expect(axis).toBe('speed')
    expect(reasons.join(' ')).toMatch(/by road speed/)
    expect(curve.every(({ speedKmh }, i) => speedKmh !== null && speedKmh > (curve[i - 1]?.speedKmh ?? 0))).toBe(true)
    expect(meanGainKw).toBeGreaterThan(3.2)
    expect(meanGainKw).toBeLessThan(4.4)
    expect(gainPowerKw).toBeGreaterThan(3)
    expect(shown).toBe(true)
  })
  test('and a pull without road speed cannot be laid over it', () => {
    const bench = work({
      rows: Array.from({ length: 20 }, (_item, i) => ({ t: i, rpm: 4000 + 150 * i, powerKw: 20 + i })),
    })
    const compared = comparePulls(pulls(1, 1), [bench])
    expect(compared.ok ? '' : compared.problems[0].message).toMatch(/has no road speed/)
  })
})

describe('where it gained and lost', () => {
  const bench = (kw: (rpm: number) => number, more: number): Pull =>
    work({
      rows: Array.from({ length: 41 }, (_item, i) => ({
        t: i / 5,
        rpm: 2000 + 100 * i,
        powerKw: kw(2000 + 100 * i) + more,
      })),
    })
  const stock = (rpm: number) => rpm / 60
  const three = (kw: (rpm: number) => number) => [-0.2, 0, 0.2].map((more) => bench(kw, more))
  test('is told by stretches, with the area and the end', () => {
    const compared = comparePulls(
      three(stock),
      three((rpm) => stock(rpm) + (rpm < 4000 ? 8 : rpm > 5200 ? -20 : 0)),
    )
    if (!compared.ok) throw new Error(compared.problems[0].message)
    const { gained, lost, fallsOff, meanGainKw, peaks, axis } = compared.value
    expect(axis).toBe('rpm')
    expect(gained).toMatchObject([{ from: expect.closeTo(2000, -2) as number, to: expect.closeTo(3950, -2) as number }])
    expect(lost[0]?.meanKw).toBeLessThan(-15)
    expect(meanGainKw).toBeLessThan(1.5)
    expect(fallsOff?.pct).toBeGreaterThan(7)
    expect(peaks.before).toMatchObject({ rpm: 6000, speedKmh: null })
  })
  test('nothing gained is no stretch at all', () => {
    const compared = comparePulls(three(stock), three(stock))
    expect(compared).toMatchObject({ value: { gained: [], lost: [], fallsOff: null } })
  })
  test('one gear held is told from its points', () => {
    const vehicle = anyVehicle(3)
    const pull = work({ rows: drive(vehicle, 1), road: { ...vehicle.road, slope: 0 }, aspiration: 'boosted' })
    const { gearRatio, axleRatio, tyreHeightM } = vehicle.road
    expect(heldGear(pull)).toMatchObject({
      rpmPerKmh: expect.closeTo((gearRatio * axleRatio * 1000) / 60 / (Math.PI * tyreHeightM), 0) as number,
    })
  })
})
