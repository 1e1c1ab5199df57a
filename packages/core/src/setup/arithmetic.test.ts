import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { seededRandom, type Outcome } from '../shared/index.ts'
import { pulseSetting } from './pulseSetting.ts'
import { roadSpeed } from './roadSpeed.ts'
import { supplyGuard, type SupplyAsked } from './supplyGuard.ts'
import { throttleSweep, type SweepAsked, type SweepSample } from './throttleSweep.ts'
import { tyreError } from './tyreError.ts'

function valueOf<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.problems.map(({ message }) => message).join(' '))
  return outcome.value
}
const problemOf = (outcome: Outcome<unknown>) => (outcome.ok ? null : outcome.problems[0])

describe('road speed and tyres', () => {
  test('2200 rpm, 1.00, 3.42, 0.80 m are 97.0 km/h', () => {
    const asked = { rpm: 2200, gearRatio: 1, axleRatio: 3.42, tyreHeightM: 0.8 }
    expect(valueOf(roadSpeed(asked)).speedKmh).toBeCloseTo(97.0, 1)
    expect(problemOf(roadSpeed({ ...asked, tyreHeightM: 800 }))?.message).toContain('if millimetres were meant')
    expect(problemOf(roadSpeed({ ...asked, tyreHeightM: 31.5 }))?.message).toContain('if inches were meant')
    expect(problemOf(roadSpeed({ ...asked, gearRatio: 0 }))?.path).toBe('gearRatio')
  })
  test('a larger tyre shows too little; a shorter axle shows too much where speed is taken before it', () => {
    expect(valueOf(tyreError({ standardHeightM: 0.8, fittedHeightM: 0.84 })).errorPct).toBeCloseTo(-4.76, 2)
    expect(
      valueOf(tyreError({ standardHeightM: 0.8, fittedHeightM: 0.8, standardAxle: 3.42, fittedAxle: 3.73 })).errorPct,
    ).toBeCloseTo(9.06, 2)
    expect(problemOf(tyreError({ standardHeightM: 0.8, fittedHeightM: 0.8, standardAxle: 3.42 }))).toMatchObject({
      path: 'fittedAxle',
    })
  })
  test('what is shown is what the standard parts would show at the speed the fitted ones have', () => {
    const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(figure(0.3, 1), figure(0.3, 1), figure(2, 5), figure(2, 5), (sH, fH, sA, fA) => {
        const speed = (tyreHeightM: number, axleRatio: number) =>
          valueOf(roadSpeed({ rpm: 2000, gearRatio: 1, axleRatio, tyreHeightM })).speedKmh
        const { indicatedToTrue } = valueOf(
          tyreError({ standardHeightM: sH, fittedHeightM: fH, standardAxle: sA, fittedAxle: fA }),
        )
        expect(indicatedToTrue).toBeCloseTo(speed(sH, sA) / speed(fH, fA), 9)
      }),
    )
  })
})

describe('pulses', () => {
  test.each([
    [1600, 3200, 8, 4, 'one bank'],
    [3200, 3200, 6, null, null],
    [3290, 3200, 6, null, null],
    [2400, 3200, 8, 6, 'set as 8'],
    [6400, 3200, 4, 8, 'twice'],
    [4800, 3200, 4, 6, 'half as many'],
    [3200 * 0.37, 3200, 7, null, 'teeth'],
  ])('%s shown, %s true, set to %s: %s', (displayedRpm, trueRpm, currentSetting, suggestion, cause) => {
    const answer = valueOf(pulseSetting({ displayedRpm, trueRpm, currentSetting }))
    expect(answer.suggestion).toBe(suggestion)
    if (cause === null) expect(answer.cause).toBeNull()
    else expect(answer.cause).toContain(cause)
  })
  test('an engine that stands gives no ratio', () => {
    expect(problemOf(pulseSetting({ displayedRpm: 900, trueRpm: 0, currentSetting: 4 }))?.path).toBe('trueRpm')
  })
})

/** A sweep as a hand makes it, so noisy at the meter. */
function sweepOf(change: (at: number, sample: SweepSample) => SweepSample = (_, sample) => sample, noiseV = 0.004) {
  const random = seededRandom(3)
  const noise = () => random.normal() * noiseV
  return Array.from({ length: 250 }, (_, i): SweepSample => {
    const t = i * 0.02
    const share = Math.min(1, Math.max(0, (t - 0.7) / 3.5))
    const v1 = 0.6 + 3.4 * share + noise()
    return change(share, { t, v1, v2: v1 / 2 + noise() / 4 })
  })
}
const capture = (more: Partial<SweepAsked> & Pick<SweepAsked, 'samples'>) =>
  throttleSweep({ kind: 'by-wire', relation: 'ratio', ...more })

describe('a throttle swept', () => {
  test('right: volts, span, noise, one way, two tracks together', () => {
    const answer = valueOf(capture({ samples: sweepOf() }))
    expect(answer).toMatchObject({ verdict: 'pass', monotone: true, reasons: [] })
    expect(answer.shutV).toBeCloseTo(0.6, 1)
    expect(answer.openV).toBeCloseTo(4.0, 1)
    expect(answer.noiseV).toBeLessThan(0.01)
    expect(answer.trackSpreadPct).toBeLessThan(3)
    // Told by itself which relation the tracks keep.
    expect(valueOf(throttleSweep({ kind: 'by-wire', samples: sweepOf() })).verdict).toBe('pass')
    const crossed = sweepOf((_, { t, v1 }) => ({ t, v1, v2: 5 - v1 }))
    expect(valueOf(throttleSweep({ kind: 'by-wire', samples: crossed })).verdict).toBe('pass')
    expect(valueOf(capture({ samples: crossed })).verdict).toBe('fail')
  })
  test.each<[string, (at: number, sample: SweepSample) => SweepSample, string]>([
    [
      'too little',
      (_, { t, v1, v2 }) => ({ t, v1: 0.6 + (v1 - 0.6) * 0.5, v2: (v2 ?? 0) * 0.5 + 0.15 }),
      'It goes through',
    ],
    [
      'a worn place',
      (at, { t, v1, v2 }) => (at > 0.4 && at < 0.5 ? { t, v1: v1 - 0.5, v2: (v2 ?? 0) - 0.25 } : { t, v1, v2 }),
      'steps back',
    ],
    ['one track of two', (_, { t, v1 }) => ({ t, v1 }), 'two tracks'],
    ['tracks that part', (at, { t, v1 }) => ({ t, v1, v2: (v1 / 2) * (1 + 0.1 * at) }), 'part by'],
  ])('%s fails, and says why', (_, change, reason) => {
    const answer = valueOf(capture({ samples: sweepOf(change) }))
    expect(answer.verdict).toBe('fail')
    expect(answer.reasons.join(' ')).toContain(reason)
  })
  test('noise fails; a cable throttle has one track; a half-voltage track has its own span', () => {
    expect(valueOf(capture({ samples: sweepOf(undefined, 0.04) })).reasons.join(' ')).toContain('restless')
    const one = sweepOf((_, { t, v1 }) => ({ t, v1: v1 / 2 }))
    expect(valueOf(throttleSweep({ kind: 'cable', samples: one })).verdict).toBe('fail')
    expect(valueOf(throttleSweep({ kind: 'cable', spanV: 1.8, samples: one }))).toMatchObject({
      verdict: 'pass',
      trackSpreadPct: null,
    })
    const falling = sweepOf((_, { t, v1 }) => ({ t, v1: 5 - v1 }))
    expect(valueOf(throttleSweep({ kind: 'cable', samples: falling })).verdict).toBe('pass')
  })
  test('what is no sweep is said to be none', () => {
    expect(problemOf(capture({ samples: [] }))?.code).toBe('sweep-short')
    expect(problemOf(capture({ samples: [{ t: 0, v1: 1 }] }))?.message).toContain('1 sample')
    expect(problemOf(capture({ samples: [...sweepOf(), { t: 0, v1: 1 }] }))?.code).toBe('time-runs-backwards')
    expect(problemOf(capture({ samples: sweepOf((_, { t, v1 }) => ({ t, v1: v1 * 1000 })) }))?.message).toContain(
      'millivolts',
    )
  })
})

describe('the supply for an update', () => {
  const base: SupplyAsked = { batteryV: 12.7, batteryAh: 12, chargerA: 0, loadA: 0.5, minutes: 10 }
  test.each<[string, Partial<SupplyAsked>, string]>([
    ['a rested battery, little and short', {}, 'go'],
    ['just enough', { batteryV: 12.6 }, 'go'],
    ['a little less', { batteryV: 12.59 }, 'wait'],
    ['just a stop', { batteryV: 12.2 }, 'stop'],
    ['lithium that would do for lead', { batteryV: 12.8, chemistry: 'lithium' }, 'stop'],
    ['lithium between', { batteryV: 13.1, chemistry: 'lithium' }, 'wait'],
    ['lithium', { batteryV: 13.2, chemistry: 'lithium' }, 'go'],
    ['more than a small module', { loadA: 4 }, 'wait'],
    ['carried by a charger', { loadA: 4, chargerA: 4 }, 'go'],
    ['longer than fifteen minutes', { minutes: 16 }, 'wait'],
    ['a battery that does not last', { batteryAh: 0.5, loadA: 1, minutes: 15 }, 'wait'],
    ['volts on charge', { batteryV: 13.5, atRest: false, chargerA: 10 }, 'wait'],
    [
      'programming on a stabilised supply',
      { batteryV: 13.5, atRest: false, chargerA: 20, loadA: 15, programming: true },
      'go',
    ],
    [
      'programming on a pulsing one',
      { batteryV: 14.4, atRest: false, chargerA: 20, loadA: 15, programming: true },
      'wait',
    ],
    ['programming on the battery alone', { programming: true }, 'wait'],
  ])('%s', (_, more, verdict) => {
    expect(valueOf(supplyGuard({ ...base, ...more })).verdict).toBe(verdict)
  })
  test('other units are told', () => {
    expect(problemOf(supplyGuard({ ...base, batteryV: 12_700 }))?.message).toContain('millivolts')
    expect(problemOf(supplyGuard({ ...base, loadA: 600 }))?.message).toContain('milliamperes')
  })
})
