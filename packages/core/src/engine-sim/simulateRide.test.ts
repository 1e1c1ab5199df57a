import { describe, expect, test } from 'vitest'
import { LogReader } from '../fuel-trim/index.ts'
import { quadEngine, rideCsv, simulateRide } from './index.ts'

const ride = { seed: 4, minutes: 10, rateHz: 20 }

describe('a simulated ride', () => {
  test('is the same for the same seed and another for another', () => {
    expect(simulateRide(quadEngine, ride)).toEqual(simulateRide(quadEngine, ride))
    expect(simulateRide(quadEngine, ride).afr).not.toEqual(simulateRide(quadEngine, { ...ride, seed: 5 }).afr)
  })

  test('stays within what the machine can do', () => {
    const { rpm, throttlePct, coolantC, speedKmh, afr } = simulateRide(quadEngine, ride)
    const [least, most] = [Math.min, Math.max].map(
      (of) => (column: Iterable<number>) => [...column].reduce((x, y) => of(x, y)),
    )
    expect(least(rpm)).toBeGreaterThan(quadEngine.idleRpm - 60)
    expect(most(rpm)).toBeLessThan(quadEngine.limiterRpm + 60)
    expect(least(throttlePct)).toBeGreaterThanOrEqual(0)
    expect(most(throttlePct)).toBeLessThanOrEqual(100)
    expect(most(coolantC)).toBeLessThan(96)
    expect(most(speedKmh)).toBeLessThan(110)
    expect(most(afr)).toBeLessThanOrEqual(22)
  })

  test('warms up: rich while cold, the truth once warm', () => {
    const { afr, coolantC } = simulateRide(quadEngine, { ...ride, noise: 0 })
    const mean = (from: number, to: number) => {
      const rows = Array.from(afr).filter((value, k) => coolantC[k] >= from && coolantC[k] < to && value < 18)
      return rows.reduce((sum, value) => sum + value, 0) / rows.length
    }
    expect(mean(18, 30)).toBeLessThan(mean(70, 95) - 1)
  })

  test('the right table puts the mixture on target', () => {
    const axes = {
      rpm: Array.from({ length: 13 }, (_, i) => 1200 + 500 * i),
      load: Array.from({ length: 21 }, (_, i) => 5 * i),
    }
    const trimPct = axes.rpm.map((rpm) => axes.load.map((load) => quadEngine.requiredTrimPct(rpm, load)))
    const engine = { ...quadEngine, target: { afr: 13.5 }, filmShare: 0 }
    const { afr } = simulateRide(engine, { ...ride, startCoolantC: 85, noise: 0, trim: { axes, trimPct } })
    const near = Array.from(afr).filter((value) => Math.abs(value / 13.5 - 1) < 0.012).length
    expect(near / afr.length).toBeGreaterThan(0.85)
  })

  test('a reading comes late by transport and lag', () => {
    const sharp = { ...quadEngine, transportS: 0.5, sensorLagS: 0.001, filmShare: 0 }
    const late = simulateRide(sharp, { ...ride, startCoolantC: 85, noise: 0 })
    const prompt = simulateRide({ ...sharp, transportS: 0 }, { ...ride, startCoolantC: 85, noise: 0 })
    for (let k = 200; k < 4000; k += 97) expect(late.afr[k]).toBeCloseTo(prompt.afr[k - 10], 1)
  })
})

test.each([
  [',', '.'],
  [';', ','],
  ['\t', '.'],
] as const)('its file with "%s" and decimal "%s" reads back', (separator, decimal) => {
  const result = simulateRide(quadEngine, { ...ride, minutes: 1 })
  const csv = rideCsv(result, { separator, decimal, header: ['time', 'rpm', 'throttle', 'AFR', 'coolant'] })
  const reader = new LogReader()
  reader.push(new TextEncoder().encode(csv))
  const raw = reader.finish()
  if (!raw.ok) throw new Error(raw.problems[0].message)
  expect(raw.value.rows).toBe(1200)
  for (let k = 0; k < 1200; k += 50) expect(raw.value.values.afr?.[k]).toBeCloseTo(result.afr[k], 2)
})
