import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { defaultLimits, defaultOptions, type RideLog, type TrimProblem } from './model.ts'
import { proofFigures, rideAxes, rideCase } from './rideCase.ts'
import { suggestTrims } from './suggestTrims.ts'

describe('proof against rides with known truth', () => {
  // 20 min, 20 Hz, noise 1 %, whole delay 0.15 to 0.60 s, half of them ridden with a table already in force.
  const figures = Array.from({ length: 20 }, (_, i) => {
    const wholeS = 0.15 + (0.45 * i) / 19
    const lagS = wholeS * (0.2 + 0.1 * (i % 5))
    const inForce = i % 2 ? (rpm: number, load: number) => 3 - rpm / 2000 + load / 40 : undefined
    const ride = rideCase(100 + i, { transportS: wholeS - lagS, sensorLagS: lagS }, {}, inForce)
    const suggestion = suggestTrims(ride.log, ride.problem)
    return { wholeS, suggestion, ...proofFigures(ride, suggestion.cells) }
  })
  const sum = (of: (figure: (typeof figures)[number]) => number) =>
    figures.reduce((total, figure) => total + of(figure), 0)

  test('RMS error on earned cells is at most 0.4 % trim on every ride', () => {
    for (const figure of figures) expect(figure.rmsPct).toBeLessThan(0.4)
  })

  test('… and at most a third of the plain method over the rides', () => {
    const pooled = Math.sqrt(sum((f) => f.rmsPct ** 2 * f.earned) / sum((f) => f.earned))
    const plain = Math.sqrt(sum((f) => f.plainRmsPct ** 2 * f.earned) / sum((f) => f.earned))
    expect(pooled).toBeLessThan(plain / 3)
  })

  test('at least 90 % of the cells with 60 usable nearest rows are earned', () => {
    expect(sum((f) => f.busyEarned)).toBeGreaterThanOrEqual(0.9 * sum((f) => f.busyCells))
  })

  test('95 % intervals cover the truth 90 to 99 % of the time, pooled', () => {
    const share = sum((f) => f.covered) / sum((f) => f.earned)
    expect(share).toBeGreaterThanOrEqual(0.9)
    expect(share).toBeLessThanOrEqual(0.99)
  })

  test('the whole delay is found to 0.05 s', () => {
    for (const { wholeS, suggestion } of figures) {
      expect(suggestion.delaySource).toBe('estimated')
      expect(Math.abs(suggestion.delaySeconds - wholeS)).toBeLessThan(0.05)
    }
  })

  test('every row is used or counted once', () => {
    for (const { suggestion } of figures) {
      const out = Object.values(suggestion.rejected).reduce((total, count) => total + count, 0)
      expect(suggestion.usedRows + out).toBe(24_000)
    }
  })
})

describe('cold running', () => {
  test('a limit set too low rises by itself and says so', () => {
    const ride = rideCase(7, { warmC: 78 })
    const suggestion = suggestTrims(ride.log, ride.problem)
    expect(suggestion.coldLimit?.raised).toBe(true)
    expect(suggestion.coldLimit?.usedC).toBeGreaterThanOrEqual(73)
    expect(proofFigures(ride, suggestion.cells).rmsPct).toBeLessThan(0.4)
  })

  test('a limit that is high enough stays', () => {
    const ride = rideCase(8)
    expect(suggestTrims(ride.log, ride.problem).coldLimit).toEqual({ usedC: 70, raised: false })
  })

  test('without a coolant column the filter is off and reported as off', () => {
    const ride = rideCase(9, {}, { minutes: 4 })
    const suggestion = suggestTrims({ ...ride.log, coolantC: undefined }, ride.problem)
    expect(suggestion.filtersOff).toEqual(['sensor-not-ready', 'cold', 'gear-change', 'low-battery', 'closed-loop'])
    expect(suggestion.coldLimit).toBeNull()
  })
})

/** A log from rows `[time, rpm, throttle, afr]`, warm. */
function handLog(rows: number[][], more: Partial<RideLog> = {}): RideLog {
  const column = (i: number) => Float64Array.from(rows, (row) => row[i])
  return {
    rows: rows.length,
    timeS: column(0),
    rpm: column(1),
    throttlePct: column(2),
    afr: column(3),
    unreadableRows: 0,
    ...more,
  }
}

const smallAxes = { rpm: [2000, 4000], load: [10, 50] }
function smallProblem(change: Partial<TrimProblem> = {}): TrimProblem {
  const zero = [
    [0, 0],
    [0, 0],
  ]
  return {
    axes: smallAxes,
    trimPct: zero,
    currentPct: zero,
    target: { afr: 13 },
    limits: defaultLimits,
    options: { ...defaultOptions, delaySeconds: 0 },
    ...change,
  }
}
const steady = (afr: number, rows = 200) => Array.from({ length: rows }, (_, i) => [i * 0.05, 2000, 10, afr])

describe('arithmetic of one cell', () => {
  test('10 % lean asks for 10 % and takes 70 % of it, at most 5 in one pass', () => {
    const cell = suggestTrims(handLog(steady(14.3)), smallProblem()).cells[0][0]
    expect(cell.estimatePct).toBeCloseTo(10, 2)
    expect(cell.trimPct).toBeCloseTo(5, 6)
    expect(cell.earned).toBe(true)
    expect(cell.evidence).toBeCloseTo(10, 0)
  })

  test('the table in force counts: 4 % in it and 5 % lean ask for 9.2 %', () => {
    const inForce = [
      [4, 4],
      [4, 4],
    ]
    const cell = suggestTrims(handLog(steady(13.65)), smallProblem({ trimPct: inForce, currentPct: inForce }))
      .cells[0][0]
    expect(cell.estimatePct).toBeCloseTo(100 * (1.05 * 1.04 - 1), 2)
    expect(cell.changePct).toBeCloseTo(0.7 * (9.2 - 4), 1)
  })

  test('a current table other than the one ridden is the one that changes', () => {
    const current = [
      [9, 0],
      [0, 0],
    ]
    const cell = suggestTrims(handLog(steady(14.3)), smallProblem({ currentPct: current })).cells[0][0]
    expect(cell.trimPct).toBeCloseTo(9 + 0.7 * (10 - 9), 1)
  })

  test('bounds of the table hold', () => {
    const options = { ...defaultOptions, delaySeconds: 0, boundsPct: [-3, 3] as [number, number] }
    expect(suggestTrims(handLog(steady(14.3)), smallProblem({ options })).cells[0][0].trimPct).toBe(3)
  })

  test('cells the log never visits say nothing and keep their value', () => {
    const current = [
      [0, 0],
      [0, 7],
    ]
    const cell = suggestTrims(handLog(steady(14.3)), smallProblem({ currentPct: current })).cells[1][1]
    expect(cell).toEqual({ trimPct: 7, changePct: 0, estimatePct: null, stdErrPct: null, evidence: 0, earned: false })
  })

  test('a log in which no row may be used gives an unchanged table and the reasons', () => {
    const suggestion = suggestTrims(handLog(steady(22)), smallProblem())
    expect(suggestion.usedRows).toBe(0)
    expect(suggestion.rejected).toEqual({ 'out-of-range': 200 })
    expect(suggestion.cells.flat().every((cell) => !cell.earned && cell.changePct === 0)).toBe(true)
  })

  test('a steady ride cannot show the delay: one is assumed and named so', () => {
    const options = { ...defaultOptions }
    expect(suggestTrims(handLog(steady(13.2)), smallProblem({ options })).delaySource).toBe('assumed')
  })
})

describe('reasons', () => {
  const reasonOf = (row: number[], more: Partial<RideLog> = {}) => {
    const rows = [...steady(13, 100), ...Array.from({ length: 40 }, (_, i) => [5 + i * 0.05, ...row])]
    return Object.keys(suggestTrims(handLog(rows, more), smallProblem()).rejected)
  }
  const flag = (value: number, rest: number) => Float64Array.from({ length: 140 }, (_, i) => (i < 100 ? rest : value))

  test.each([
    ['no-reading', [2000, 10, Number.NaN], {}],
    ['out-of-range', [2000, 10, 21], {}],
    ['cranking', [300, 10, 13], {}],
    ['cold', [2000, 10, 13], { coolantC: flag(60, 80) }],
    ['sensor-not-ready', [2000, 10, 13], { sensorReady: flag(0, 1) }],
    ['overrun', [3500, 0, 13], {}],
    ['gear-change', [2000, 10, 13], { gear: flag(3, 2) }],
    ['low-battery', [2000, 10, 13], { batteryV: flag(10.9, 13.9) }],
    ['closed-loop', [2000, 10, 13], { closedLoop: flag(1, 0) }],
  ] as const)('%s', (reason, row, more) => {
    expect(reasonOf([...row], more)).toContain(reason)
  })

  test('fast throttle is left out, slow is not', () => {
    const sweep = (perSecond: number) =>
      Array.from({ length: 100 }, (_, i) => [
        i * 0.05,
        2000,
        Math.min(50, Math.max(10, 10 + perSecond * (i * 0.05 - 2))),
        13,
      ])
    expect(suggestTrims(handLog(sweep(80)), smallProblem()).rejected.transient).toBeGreaterThan(5)
    expect(suggestTrims(handLog(sweep(30)), smallProblem()).rejected.transient).toBeUndefined()
  })
})

test('axes of any size from 2 to 40 points give finite figures', () => {
  const ride = rideCase(3, {}, { minutes: 3, startCoolantC: 85 })
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 2, max: 40 }), (rpms, loads) => {
      const axes = {
        rpm: Array.from({ length: rpms }, (_, i) => 1000 + (6500 * i) / (rpms - 1)),
        load: Array.from({ length: loads }, (_, i) => (100 * i) / (loads - 1)),
      }
      const trimPct = axes.rpm.map(() => axes.load.map(() => 1))
      const { cells } = suggestTrims(ride.log, { ...ride.problem, axes, trimPct, currentPct: trimPct })
      for (const cell of cells.flat()) {
        expect(Number.isFinite(cell.trimPct)).toBe(true)
        expect(cell.earned || cell.changePct === 0).toBe(true)
        expect(Math.abs(cell.changePct)).toBeLessThanOrEqual(5 + 1e-9)
      }
    }),
    { numRuns: 12 },
  )
})

test('the same log gives the same table', () => {
  const ride = rideCase(4, {}, { minutes: 5 })
  expect(suggestTrims(ride.log, ride.problem)).toEqual(suggestTrims(ride.log, ride.problem))
  expect(suggestTrims(ride.log, ride.problem).cells).toHaveLength(rideAxes.rpm.length)
})
