import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Outcome } from '../shared/index.ts'
import { ampacityA, bladeFusesA, chooseFuse, fuseOverLoad } from './chooseFuse.ts'
import { idleDrain } from './idleDrain.ts'
import { awgAreaMm2 } from '../shared/index.ts'
import { wireRun } from './wireRun.ts'

function valueOf<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  return outcome.value
}
const paths = (outcome: Outcome<unknown>) => (outcome.ok ? [] : outcome.problems.map((problem) => problem.path))

describe('a run of wire', () => {
  test.each([
    [{ awg: 22 }, 0.3255, 0.2742, 0.96],
    [{ awg: 18 }, 0.823, 0.1085, 0.38],
    [{ areaMm2: 0.5 }, 0.5, 0.1785, 0.625],
  ])('2.4 m, 3.5 A, conductor at 40 °C, wire back: %j', (size, area, ohm, volt) => {
    const run = valueOf(wireRun({ lengthM: 2.4, currentA: 3.5, conductorC: 40, ...size }))
    expect(run.areaMm2).toBeCloseTo(area, 4)
    expect(run.resistanceOhm).toBeCloseTo(ohm, 4)
    expect(run.dropV).toBeCloseTo(volt, 3)
    expect(run.dropPct).toBeCloseTo((volt / 12.8) * 100, 2)
  })

  test('1.2 A over 1.5 m of 0.5 mm², back through the machine, lifts a reading by 62 mV', () => {
    const run = valueOf(wireRun({ lengthM: 1.5, areaMm2: 0.5, currentA: 1.2, conductorC: 20, returnPath: 'chassis' }))
    expect(run.dropV).toBeCloseTo(0.062, 3)
  })

  test('three AWG numbers thicker is twice the area', () => {
    for (let awg = 0; awg <= 30; awg++) expect(awgAreaMm2(awg) / awgAreaMm2(awg + 3)).toBeCloseTo(2.005, 2)
  })

  test('drops grow with length, current and heat, and shrink with area', () => {
    const figure = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })
    fc.assert(
      fc.property(
        figure(0.1, 20),
        figure(0.2, 20),
        figure(0.1, 30),
        figure(-40, 120),
        (lengthM, areaMm2, currentA, conductorC) => {
          const at = (more: object) => valueOf(wireRun({ lengthM, areaMm2, currentA, conductorC, ...more })).dropV
          const now = at({})
          expect(at({ lengthM: lengthM * 2 })).toBeCloseTo(now * 2, 9)
          expect(at({ areaMm2: areaMm2 * 2 })).toBeCloseTo(now / 2, 9)
          expect(at({ returnPath: 'chassis' })).toBeCloseTo(now / 2, 9)
          expect(at({ conductorC: conductorC + 10 })).toBeGreaterThan(now)
        },
      ),
    )
  })

  test.each([
    [{ lengthM: 0, areaMm2: 1, currentA: 1 }, ['lengthM']],
    [{ lengthM: -1, areaMm2: 1, currentA: 1 }, ['lengthM']],
    [{ lengthM: NaN, areaMm2: 1, currentA: 1 }, ['lengthM']],
    [{ lengthM: 1, currentA: 1 }, ['areaMm2']],
    [{ lengthM: 1, areaMm2: 1, awg: 18, currentA: 1 }, ['awg']],
    [{ lengthM: 1, areaMm2: 0, currentA: -1 }, ['currentA', 'areaMm2']],
    [{ lengthM: 1, awg: 60, currentA: 1, supplyV: 0 }, ['supplyV', 'awg']],
  ])('%j is refused by field', (asked, fields) => {
    expect(paths(wireRun(asked))).toEqual(fields)
  })
})

describe('the fuse', () => {
  const figure = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })

  test('carries the load and protects the thinnest wire; no smaller one would', () => {
    fc.assert(
      fc.property(
        figure(0.05, 40),
        figure(0.2, 16),
        figure(0, 100),
        fc.boolean(),
        (continuousA, areaMm2, ambientC, bundled) => {
          const { fuseA, why } = valueOf(chooseFuse({ continuousA, areaMm2, ambientC, bundled }))
          const fitting = bladeFusesA.filter(
            (size) => size >= continuousA * fuseOverLoad && size <= ampacityA(areaMm2, ambientC, bundled),
          )
          expect(fuseA).toBe(fitting[0] ?? null)
          expect(why.length).toBeGreaterThan(20)
        },
      ),
    )
  })

  test('never above what the kit allows', () => {
    expect(valueOf(chooseFuse({ continuousA: 4, areaMm2: 1.5, kitA: 5 }))).toMatchObject({ fuseA: null })
    expect(valueOf(chooseFuse({ continuousA: 3, areaMm2: 1.5, kitA: 5 }))).toMatchObject({ fuseA: 5 })
  })

  test('a fuse no wire can carry says why, and what helps', () => {
    const { fuseA, why } = valueOf(chooseFuse({ continuousA: 9, areaMm2: 0.35 }))
    expect(fuseA).toBeNull()
    expect(why).toContain('the wire would burn first. Take a thicker wire')
    expect(valueOf(chooseFuse({ continuousA: 35, areaMm2: 16 })).why).toContain('Split the load')
  })

  test('a wire carries more the thicker and the cooler it is, and nothing where the insulation ends', () => {
    for (let area = 0.1; area < 90; area *= 1.3) {
      expect(ampacityA(area * 1.2, 40)).toBeGreaterThan(ampacityA(area, 40))
      expect(ampacityA(area, 60)).toBeLessThan(ampacityA(area, 40))
      expect(ampacityA(area, 40, true)).toBeLessThan(ampacityA(area, 40))
    }
    expect(ampacityA(1, 105)).toBe(0)
  })

  test.each([
    [{ continuousA: 0, areaMm2: 1 }, ['continuousA']],
    [{ continuousA: 1, areaMm2: -1 }, ['areaMm2']],
    [{ continuousA: NaN, areaMm2: 1, ambientC: 999 }, ['continuousA', 'ambientC']],
  ])('%j is refused by field', (asked, fields) => {
    expect(paths(chooseFuse(asked))).toEqual(fields)
  })
})

describe('standing idle', () => {
  test('12 Ah, half of it usable, 29 mA: 8.62 days', () => {
    expect(valueOf(idleDrain({ capacityAh: 12, usablePct: 50, moduleMa: 29 })).days).toBeCloseTo(8.62, 2)
    expect(valueOf(idleDrain({ capacityAh: 12, usablePct: 50, moduleMa: 20, machineMa: 9 })).days).toBeCloseTo(8.62, 2)
  })

  test('nothing drawn lasts for ever, and is no number', () => {
    expect(valueOf(idleDrain({ capacityAh: 12, usablePct: 50, moduleMa: 0 })).days).toBeNull()
  })

  test.each([
    [{ capacityAh: 0, usablePct: 50, moduleMa: 1 }, ['capacityAh']],
    [{ capacityAh: 12, usablePct: 120, moduleMa: -1 }, ['usablePct', 'moduleMa']],
  ])('%j is refused by field', (asked, fields) => {
    expect(paths(idleDrain(asked))).toEqual(fields)
  })
})
