import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { RideLog } from './model.ts'
import { smearPoints, wholeDelayS } from './sensorTiming.ts'

function logOf(timeS: number[], rpm: number[]): RideLog {
  const column = Float64Array.from(rpm)
  return {
    rows: rpm.length,
    timeS: Float64Array.from(timeS),
    rpm: column,
    throttlePct: column,
    afr: column,
    unreadableRows: 0,
  }
}
const evenly = (count: number, step: number) => Array.from({ length: count }, (_, i) => i * step)

describe('smearing by a first-order lag', () => {
  test('no lag changes nothing', () => {
    const log = logOf(evenly(4, 0.1), [1, 2, 3, 9])
    expect(smearPoints(log, 0).rpm).toBe(log.rpm)
  })

  test('what is steady stays', () => {
    const { rpm } = smearPoints(logOf(evenly(50, 0.05), new Array<number>(50).fill(3000)), 0.2)
    for (const value of rpm) expect(value).toBeCloseTo(3000, 9)
  })

  test('a ramp comes out late by the lag, whatever the rate of the log', () => {
    for (const step of [0.01, 0.05, 0.1]) {
      const time = evenly(Math.round(5 / step), step)
      const log = logOf(
        time,
        time.map((t) => 1000 * t),
      )
      const { rpm } = smearPoints(log, 0.25)
      const last = time.length - 1
      expect(rpm[last]).toBeCloseTo(1000 * (time[last] - 0.25), 3)
    }
  })

  test('agrees with a fine-grained simulation between the samples', () => {
    const step = fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 3, maxLength: 12 })
    fc.assert(
      fc.property(step, fc.double({ min: 0.02, max: 0.6, noNaN: true }), (inputs, lagS) => {
        const log = logOf(evenly(inputs.length, 0.05), inputs)
        const { rpm } = smearPoints(log, lagS)
        const fine = 4000
        let state = inputs[0]
        for (let k = 1; k < inputs.length; k++) {
          for (let i = 0; i < fine; i++) {
            const input = inputs[k - 1] + ((inputs[k] - inputs[k - 1]) * (i + 0.5)) / fine
            state += ((input - state) * (0.05 / fine)) / lagS
          }
          expect(Math.abs(rpm[k] - state)).toBeLessThan(0.05)
        }
      }),
      { numRuns: 20 },
    )
  })

  test('a pause and a blank start afresh', () => {
    const { rpm } = smearPoints(logOf([0, 0.1, 5, 5.1, 5.2], [10, 10, 90, Number.NaN, 40]), 0.3)
    expect(rpm[2]).toBe(90)
    expect(rpm[3]).toBeNaN()
    expect(rpm[4]).toBe(40)
  })

  test('the whole delay is transport and lag together', () => {
    expect(wholeDelayS({ transportS: 0.2, lagS: 0.15 })).toBeCloseTo(0.35, 12)
  })
})
