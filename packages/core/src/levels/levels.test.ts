import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { judgeLadder, levelMap, type LevelCell, type LevelLimit, type LevelRun } from './index.ts'

describe('the ladder', () => {
  const exhaust: LevelLimit = { quantity: 'exhaust', max: 730, forSeconds: 60, at: 'before the turbine' }
  const limits: LevelLimit[] = [exhaust, { quantity: 'rail', max: 205 }, { quantity: 'coolant', max: 102 }]
  const run = (
    level: number,
    exhaustC = 640,
    rail = 180,
    more: Partial<{ seconds: number; at: string }> = {},
  ): LevelRun => ({
    level,
    readings: { exhaust: { value: exhaustC, seconds: 60, at: 'before the turbine', ...more }, rail, coolant: 95 },
  })
  test.each<[string, LevelRun[], number | null, number | null, number]>([
    ['nothing run', [], null, 0, 0],
    ['stock', [run(0)], 0, 1, 0],
    ['step by step', [run(0), run(1), run(2)], 2, 3, 0],
    ['all of them', [0, 1, 2, 3].map((level) => run(level)), 3, null, 0],
    ['equal is inside', [run(0, 730, 205)], 0, 1, 0],
    ['one over', [run(0), run(1, 745)], 0, null, 1],
    ['its last run counts', [run(0), run(1, 745), run(1, 720)], 1, 2, 0],
    ['above one that missed nothing is allowed', [run(0), run(1, 745), run(2)], 0, null, 1],
    ['above one that nobody ran neither', [run(0), run(2)], 0, 1, 0],
    ['held too short', [run(0, 600, 180, { seconds: 40 })], null, null, 1],
    ['read behind the turbine', [run(0, 600, 180, { at: 'after the turbine' })], null, null, 1],
    ['stock itself over', [run(0, 800), run(1)], null, null, 1],
  ])('%s', (_name, runs, highestAllowed, next, misses) => {
    const judged = judgeLadder(3, limits, runs)
    expect(judged).toMatchObject({ highestAllowed, next })
    expect(judged.because).toHaveLength(misses)
  })
  test('what was not read misses, with nothing as its value', () => {
    expect(judgeLadder(1, limits, [{ level: 0, readings: { rail: 180, coolant: 90 } }]).because).toEqual([
      { level: 0, quantity: 'exhaust', value: null, limit: exhaust, says: 'exhaust was not read.' },
    ])
    expect(judgeLadder(1, [exhaust], [{ level: 0, readings: { exhaust: 600 } }]).highestAllowed).toBeNull()
  })
  test('on any runs: what is allowed had a run inside every limit, and so had every level under it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ level: fc.nat({ max: 4 }), rail: fc.integer({ min: 150, max: 230 }) }), { maxLength: 12 }),
        (drawn) => {
          const runs = drawn.map(({ level, rail }) => ({ level, readings: { rail } }))
          const { highestAllowed, next } = judgeLadder(4, [{ quantity: 'rail', max: 205 }], runs)
          const good = (level: number) => (runs.findLast((one) => one.level === level)?.readings.rail ?? 999) <= 205
          const plain = [0, 1, 2, 3, 4].findIndex((level) => !good(level))
          expect(highestAllowed).toBe(plain === -1 ? 4 : plain === 0 ? null : plain - 1)
          const missed = [0, 1, 2, 3, 4].some((level) => runs.some((one) => one.level === level) && !good(level))
          const open = [0, 1, 2, 3, 4].find((level) => !runs.some((one) => one.level === level))
          expect(next).toBe(missed ? null : (open ?? null))
        },
      ),
    )
  })
})

describe.each([
  ['hallam-voss-longhaul-69', 'thistle-d5'],
  ['hallam-voss-packhorse-62', 'thistle-d5'],
  ['hallam-voss-shieling-21', 'thistle-d3'],
  ['grangeway-t9', 'thistle-d3-field'],
  ['corvane-tiller-14', 'thistle-b2'],
] as const)('the map of %s with %s', (id, kitId) => {
  const [machine, kit] = [shippedMachine(id), shippedKit(kitId)]
  const output = machine.engine.output
  const top = output?.atRpm ?? 3000
  const rpm = [0.3, 0.5, 0.7, 0.85, 1].map((part) => Math.round(part * top))
  const load = [0, 0.2, 0.4, 0.6, 0.8, 1]
  const map = (level: number, altitudeM = 0): LevelCell[][] => {
    const made = levelMap(machine, kit, { level, altitudeM, ambientC: 20, rpm, load })
    if (!made.ok) throw new Error(made.problems[0].message)
    return made.value
  }
  const cells = (level: number, altitudeM = 0) => map(level, altitudeM).flat()
  const levels = [0, ...(kit.levels ?? []).map(({ level }) => level)]

  test('on stock at sea level it has the power of its dossier', () => {
    expect(Math.max(...cells(0).map(({ powerKw }) => powerKw)) / (output?.powerKw ?? 1)).toBeCloseTo(1, 1)
    expect(cells(0).every(({ fuelPct }) => Math.abs(fuelPct) < 1e-9)).toBe(true)
  })
  test('energy: no more work than its fuel has heat, and power is torque times speed', () => {
    for (const level of levels)
      for (const [i, row] of map(level).entries())
        for (const cell of row) {
          expect(cell.powerKw).toBeCloseTo((cell.torqueNm * 2 * Math.PI * (rpm[i] ?? 0)) / 60_000, 6)
          expect(cell.egtC).toBeLessThan(1300)
        }
    // More fuel never works better than the fuel that was there.
    const [stock, last] = [cells(0), cells(levels.at(-1) ?? 0)]
    stock.forEach((cell, i) => {
      const more = last[i]
      if (cell.powerKw > 0 && more)
        expect(more.powerKw / cell.powerKw - 1).toBeLessThanOrEqual(more.fuelPct / 100 + 1e-9)
    })
  })
  test('a level adds, never takes away, the more the higher it is; below its gate it adds nothing', () => {
    for (const level of levels.slice(1)) {
      const [under, here] = [cells(level - 1), cells(level)]
      here.forEach((cell, i) => {
        expect(cell.powerKw).toBeGreaterThanOrEqual((under[i]?.powerKw ?? 0) - 1e-9)
        expect(cell.egtC).toBeGreaterThanOrEqual((under[i]?.egtC ?? 0) - 12)
      })
      const gate = kit.levels?.find((one) => one.level === level)?.gate
      map(level).forEach((row, i) =>
        row.forEach((cell, j) => {
          if ((rpm[i] ?? 0) < (gate?.rpm ?? 0) || (load[j] ?? 0) < (gate?.load ?? 0))
            expect(cell).toEqual(map(0)[i]?.[j])
        }),
      )
    }
  })
  test('more load is more of everything; higher up it is thinner, hotter and nearer to the turbo’s end', () => {
    for (const row of map(0))
      row.slice(1).forEach((cell, j) => expect(cell.powerKw).toBeGreaterThanOrEqual(row[j]?.powerKw ?? 0))
    const margin = (cell: LevelCell, what: string) => cell.limits.find((one) => one.what === what)?.margin ?? 0
    const [low, high] = [cells(0), cells(0, 2500)]
    low.forEach((cell, i) => {
      const up = high[i]
      if (!up || cell.boostKPa < 5) return
      expect(margin(up, 'turbo speed')).toBeLessThan(margin(cell, 'turbo speed'))
      expect(up.powerKw).toBeLessThanOrEqual(cell.powerKw + 1e-9)
    })
  })
  test('a level it has not, and an engine without figures, are refused', () => {
    const asked = { altitudeM: 0, ambientC: 20, rpm, load }
    expect(levelMap(machine, kit, { ...asked, level: 9 })).toMatchObject({
      ok: false,
      problems: [{ code: 'no-such-level' }],
    })
    const { output: _output, ...engine } = machine.engine
    expect(levelMap({ ...machine, engine }, kit, { ...asked, level: 0 })).toMatchObject({
      ok: false,
      problems: [{ code: 'missing' }],
    })
  })
})

test('ten in a hundred more rail pressure is about five more fuel', () => {
  const [machine, kit] = [shippedMachine('hallam-voss-packhorse-62'), shippedKit('thistle-d5')]
  const made = levelMap(machine, kit, { level: 4, altitudeM: 0, ambientC: 20, rpm: [2900], load: [1] })
  const cell = made.ok ? made.value[0]?.[0] : undefined
  expect(cell?.railMPa).toBeCloseTo(165 + 16, 6)
  expect(cell?.fuelPct).toBeCloseTo(4.9, 0)
})
