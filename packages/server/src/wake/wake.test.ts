import { afterAll, beforeAll, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

test.each<[string, object, object]>([
  [
    'setup/road-speed',
    { rpm: 2200, gearRatio: 1, axleRatio: 3.42, tyreHeightM: 0.8 },
    { speedKmh: expect.closeTo(97, 1) as number },
  ],
  ['setup/tyre', { standardHeightM: 0.8, fittedHeightM: 0.8 }, { indicatedToTrue: 1, errorPct: 0 }],
  ['setup/pulses', { displayedRpm: 1600, trueRpm: 3200, currentSetting: 8 }, { ratio: 0.5, suggestion: 4 }],
  ['setup/supply-guard', { batteryV: 12.1, batteryAh: 60, chargerA: 0, loadA: 1, minutes: 5 }, { verdict: 'stop' }],
  [
    'wake/stand-in',
    { machine: { id: 'hallam-voss-longhaul-69' }, kit: { id: 'thistle-d5' }, way: 'dead', seed: 3 },
    { quantity: 'Rail pressure', unit: 'MPa', lamp: { edgesMs: [] }, mute: null },
  ],
  ['wake/lamp', { kit: { id: 'wren-pedal' }, edgesMs: [] }, { confidence: expect.any(Number) as number }],
  [
    'wake/authority',
    {
      kind: 'connection',
      tolerance: 2,
      samples: [
        { module: 0, independent: 30 },
        { module: 0, independent: 60 },
      ],
    },
    { verdict: 'bypassed' },
  ],
])('%s', async (path, body, answer) => {
  expect(await app.ask('POST', `/api/${path}`, body)).toMatchObject({ status: 200, body: answer })
})

test.each<[string, object, number]>([
  ['setup/throttle', { kind: 'cable', samples: [{ t: 0, v1: 1 }] }, 422],
  ['setup/tyre', { standardHeightM: 800, fittedHeightM: 0.8 }, 422],
  ['setup/pulses', { displayedRpm: '1600', trueRpm: 3200, currentSetting: 8 }, 400],
  ['wake/lamp', { kit: { id: 'ghost' }, edgesMs: [] }, 422],
  ['wake/lamp', { kit: { id: 'wren-pedal' }, edgesMs: [5, 1] }, 422],
  ['wake/authority', { kind: 'nothing' }, 400],
  ['wake/stand-in', { machine: { id: 'hallam-voss-longhaul-69' }, kit: { id: 'thistle-d5' }, way: 'odd' }, 400],
  ['wake/stand-in', { machine: { id: 'ghost' }, kit: { id: 'thistle-d5' } }, 422],
])('%s refuses what it cannot read, with a sentence', async (path, body, status) => {
  const refused = await app.ask('POST', `/api/${path}`, body)
  expect(refused.status).toBe(status)
  expect((refused.body as { message: string }[])[0]?.message.length).toBeGreaterThan(10)
})
