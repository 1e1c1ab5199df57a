import { describe, expect, test } from 'vitest'
import { mayRegenerate, monitorsOf, readinessOf, regenerationList, runOn, type RegenerationReadings } from './index.ts'

const ready: RegenerationReadings = {
  ...{ coolantC: 82, fuelPct: 40, idleMin: 2, neutral: true, sootPct: 70, oilOverMark: false, barringCodes: 0 },
  ...{ ground: 'bare', clearM: 6, outdoors: true, blownClean: true, stays: true },
}

describe('a regeneration by hand', () => {
  test('may begin when every condition is there', () => {
    expect(mayRegenerate(ready)).toBe(true)
    expect(regenerationList(ready).map(({ state }) => state)).toEqual(Array(12).fill('ok'))
  })
  test.each<[string, Partial<RegenerationReadings>, RegExp]>([
    ['cold', { coolantC: 70 }, /over 70 °C/],
    ['nearly no fuel', { fuelPct: 15 }, /over 15 %/],
    ['not idled', { idleMin: 0.5 }, /1 min at least/],
    ['in gear', { neutral: false }, /parking brake on/],
    ['little soot', { sootPct: 20 }, /40 to 95/],
    ['too much soot', { sootPct: 120 }, /40 to 95/],
    ['oil with fuel in it', { oilOverMark: true }, /change it first/],
    ['a code', { barringCodes: 1 }, /mend them first/],
    ['stubble', { ground: 'stubble' }, /stubble or grass under the exhaust burns/],
    ['grass', { ground: 'grass' }, /burns/],
    ['people near', { clearM: 4.9 }, /5 m at least/],
    ['a hall', { outdoors: false }, /never in a hall/],
    ['chaff', { blownClean: false }, /no chaff/],
    ['nobody', { stays: false }, /to the end/],
  ])('%s: not so, with what it wants', (_name, change, says) => {
    const wrong = regenerationList({ ...ready, ...change }).filter(({ state }) => state !== 'ok')
    expect(wrong).toMatchObject([{ state: 'not so', wants: expect.stringMatching(says) as string }])
    expect(mayRegenerate({ ...ready, ...change })).toBe(false)
  })
  test.each(Object.keys(ready))('%s unsaid is missing, and it may not begin', (field) => {
    const { [field as keyof RegenerationReadings]: _gone, ...rest } = ready
    expect(regenerationList(rest).filter(({ state }) => state === 'missing').length).toBe(1)
    expect(mayRegenerate(rest)).toBe(false)
  })
})

describe('running on', () => {
  test('is barred indoors, whatever the turbine', () => {
    expect(runOn({ where: 'indoors', inletC: 200 })).toMatchObject({ allowed: false, minutes: null })
  })
  test('lasts until the inlet is below 230 °C: longer from hotter, nothing when cool', () => {
    const minutes = [230, 300, 450, 650].map((inletC) => runOn({ where: 'outdoors', inletC }).minutes ?? -1)
    expect(minutes[0]).toBe(0)
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
    expect(minutes[3]).toBeGreaterThan(2)
    expect(minutes[3]).toBeLessThan(6)
  })
  test('by the time that is set where nothing is read, and by the inlet where it is', () => {
    expect(runOn({ where: 'outdoors', setMin: 3 })).toMatchObject({ minutes: 3 })
    expect(runOn({ where: 'outdoors', setMin: 3, inletC: 200 })).toMatchObject({ minutes: 0 })
    expect(runOn({ where: 'outdoors' })).toMatchObject({
      allowed: true,
      minutes: null,
      says: expect.stringMatching(/read it/) as string,
    })
  })
})

describe('readiness', () => {
  const diesel = monitorsOf({ engine: { fuel: 'diesel' } })
  const all = (done: boolean) => diesel.map((id) => ({ id, done }))
  test('a diesel and a petrol engine test different things', () => {
    expect(diesel).toContain('particulate filter')
    expect(monitorsOf({ engine: { fuel: 'petrol' } })).toContain('catalyst')
    expect(monitorsOf({ engine: { fuel: 'petrol' } })).not.toContain('boost')
  })
  test('all done: a test makes sense; one open: it may; more: drive first, as long as the longest', () => {
    expect(readinessOf(all(true), 0)).toMatchObject({ test: 'yes', open: [], minutes: 0 })
    const oneOpen = all(true).map((one) => (one.id === 'boost' ? { ...one, done: false } : one))
    expect(readinessOf(oneOpen, 0)).toMatchObject({
      test: 'yes',
      open: [{ id: 'boost' }],
      says: expect.stringMatching(/Boost is open/) as string,
    })
    expect(readinessOf(all(false), 0)).toMatchObject({ test: 'not yet', minutes: 30 })
  })
  test('a stored code, or nothing read, makes none', () => {
    expect(readinessOf(all(true), 1)).toMatchObject({
      test: 'no',
      says: expect.stringMatching(/1 code is stored/) as string,
    })
    expect(readinessOf([], 0).test).toBe('no')
  })
})
