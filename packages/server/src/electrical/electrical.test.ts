import { afterAll, beforeAll, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

test('a wire run, an idle drain and a fuse are answered by their reference figures', async () => {
  const run = await app.ask('POST', '/api/electrical/wire-run', {
    lengthM: 2.4,
    awg: 22,
    currentA: 3.5,
    conductorC: 40,
  })
  expect(run.status).toBe(200)
  expect((run.body as { dropV: number }).dropV).toBeCloseTo(0.96, 3)
  const drain = await app.ask('POST', '/api/electrical/idle-drain', { capacityAh: 12, usablePct: 50, moduleMa: 29 })
  expect((drain.body as { days: number }).days).toBeCloseTo(8.62, 2)
  const fuse = await app.ask('POST', '/api/electrical/fuse', { continuousA: 3.5, areaMm2: 1 })
  expect(fuse.body).toMatchObject({ fuseA: 5 })
  const none = await app.ask('POST', '/api/electrical/fuse', { continuousA: 9, areaMm2: 0.35, bundled: true })
  expect(none.body).toMatchObject({ fuseA: null })
})

test.each([
  ['wire-run', { lengthM: 0, areaMm2: 1, currentA: 1 }, 422, 'lengthM'],
  ['wire-run', { areaMm2: 1, currentA: 1 }, 400, 'lengthM'],
  ['wire-run', { lengthM: 1, areaMm2: 1, currentA: 1, returnPath: 'air' }, 400, 'returnPath'],
  ['idle-drain', { capacityAh: -1, usablePct: 50, moduleMa: 1 }, 422, 'capacityAh'],
  ['fuse', { continuousA: 1, areaMm2: 'thick' }, 400, 'areaMm2'],
])('%s %j is refused with its path', async (what, body, status, path) => {
  const answer = await app.ask('POST', `/api/electrical/${what}`, body)
  expect(answer.status).toBe(status)
  expect((answer.body as { path: string }[])[0].path).toBe(path)
})
