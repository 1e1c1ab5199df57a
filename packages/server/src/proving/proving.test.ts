import { afterAll, beforeAll, expect, test } from 'vitest'
import { coast } from '../../../core/src/proving/roadDriveCase.ts'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const bench = (kw: number) => ({
  csv: `Time (s),RPM,Power (kW)\n${Array.from({ length: 30 }, (_item, i) => `${i / 5},${2000 + 100 * i},${(kw * (i + 10)) / 39}`).join('\n')}`,
})

test.each<[string, object, object]>([
  [
    'proving/pull',
    bench(100),
    { factor: 1, peakPower: { kw: expect.closeTo(100, 6) as number, rpm: 4900, speedKmh: null } },
  ],
  [
    'proving/compare',
    { before: [bench(100), bench(101)], after: [bench(120), bench(121)], claim: { powerKw: 20 } },
    { gainPowerKw: expect.closeTo(20, 6) as number, shown: true, claim: 'met' },
  ],
  [
    'proving/coast-down',
    {
      massKg: 1500,
      runs: [
        {
          rows: coast({ massKg: 1500, dragAreaM2: 0.7, rolling: 0.013 }, 1),
        },
      ],
    },
    {
      rolling: expect.any(Number) as number,
      warnings: expect.arrayContaining([expect.stringMatching(/One direction/)]) as string[],
    },
  ],
  [
    'proving/find-pulls',
    {
      csv: `time;rpm;speed;throttle\n${Array.from({ length: 100 }, (_item, i) => `${i / 10};${i > 30 && i < 80 ? 2000 + 40 * (i - 30) : 2000};${i > 30 && i < 80 ? 40 + 0.8 * (i - 30) : 40};${i > 30 && i < 80 ? 98 : 10}`).join('\n')}`,
    },
    { pulls: [{ fromS: expect.closeTo(3, 0) as number, toS: expect.closeTo(8, 0) as number }] },
  ],
  ['levels/airflow', { changePct: -10, throttle: 0.4 }, { netFuelPct: 0, takenBackPct: -10, closedLoop: true }],
  [
    'levels/airflow',
    { changePct: -10, throttle: 0.9 },
    { netFuelPct: -10, ignitionDeg: expect.closeTo(1.2, 6) as number },
  ],
  [
    'levels/ladder',
    { levels: 2, limits: [{ quantity: 'rail', max: 200 }], runs: [{ level: 0, readings: { rail: 180 } }] },
    { highestAllowed: 0, next: 1, because: [] },
  ],
  [
    'levels/map',
    {
      ...{ machine: { id: 'hallam-voss-packhorse-62' }, kit: { id: 'thistle-d5' } },
      ...{ level: 4, altitudeM: 0, ambientC: 20, rpm: [1500, 2900], load: [0, 1] },
    },
    {
      cells: [
        [{ fuelPct: 0 }, {}],
        [{}, { railMPa: expect.closeTo(181, 6) as number }],
      ],
    },
  ],
])('%s', async (path, body, answer) => {
  expect(await app.ask('POST', `/api/${path}`, body)).toMatchObject({ status: 200, body: answer })
})

test('what was worked out is compared as well as what is asked for', async () => {
  const worked = (await app.ask('POST', '/api/proving/pull', bench(110))).body
  const answer = await app.ask('POST', '/api/proving/compare', { before: [bench(100)], after: [worked] })
  expect(answer).toMatchObject({ status: 200, body: { shown: false, spreadPowerKw: null, claim: null } })
})

test.each<[string, object, number]>([
  ['proving/pull', { rows: [] }, 422],
  ['proving/pull', { ...bench(100), correction: 'sae-j1349', aspiration: 'boosted' }, 422],
  ['proving/pull', { ...bench(100), correction: 'none-such' }, 400],
  ['proving/compare', { before: [], after: [bench(100)] }, 422],
  ['proving/coast-down', { massKg: 1500, runs: [] }, 422],
  ['proving/find-pulls', bench(100), 422],
  ['levels/ladder', { levels: -1, limits: [], runs: [] }, 400],
  [
    'levels/map',
    {
      ...{ machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } },
      ...{ level: 1, altitudeM: 0, ambientC: 20, rpm: [2000], load: [1] },
    },
    422,
  ],
])('%s refuses what it cannot work out, with a sentence', async (path, body, status) => {
  const refused = await app.ask('POST', `/api/${path}`, body)
  expect(refused.status).toBe(status)
  expect((refused.body as { message: string }[])[0]?.message.length).toBeGreaterThan(10)
})
