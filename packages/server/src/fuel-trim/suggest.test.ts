import { quadEngine, rideCsv, simulateRide } from '@tidy-badger/core/engine-sim'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const rpm = [1500, 2500, 3500, 4500, 5500, 6500]
const load = [0, 10, 20, 40, 70, 100]
const zero = rpm.map(() => load.map(() => 0))
const csv = rideCsv(simulateRide(quadEngine, { seed: 5, minutes: 8, rateHz: 20, startCoolantC: 80 }))
const body = { grid: { rpm, load, trimPct: zero }, target: quadEngine.target, log: { csv } }

interface Suggestion {
  delaySeconds: number
  usedRows: number
  rejected: Record<string, number>
  filtersOff: string[]
  cells: {
    trimPct: number
    changePct: number
    estimatePct: number | null
    stdErrPct: number | null
    evidence: number
    earned: boolean
  }[][]
}

describe('suggest', () => {
  test('answers exactly what is promised, near the known truth', async () => {
    const answer = await app.ask('POST', '/api/fuel-trim/suggest', body)
    expect(answer.status).toBe(200)
    const suggestion = answer.body as Suggestion
    expect(Object.keys(suggestion).sort()).toEqual(['cells', 'delaySeconds', 'filtersOff', 'rejected', 'usedRows'])
    expect(Object.keys(suggestion.cells[0][0]).sort()).toEqual([
      'changePct',
      'earned',
      'estimatePct',
      'evidence',
      'stdErrPct',
      'trimPct',
    ])
    expect(suggestion.cells.map((row) => row.length)).toEqual(rpm.map(() => load.length))
    expect(Math.abs(suggestion.delaySeconds - 0.28)).toBeLessThan(0.06)
    const rejected = Object.values(suggestion.rejected).reduce((sum, rows) => sum + rows, 0)
    expect(suggestion.usedRows + rejected).toBe(9600)
    const errors = suggestion.cells.flatMap((row, r) =>
      row.flatMap((cell, l) =>
        cell.earned && cell.estimatePct !== null
          ? [cell.estimatePct - quadEngine.requiredTrimPct(rpm[r], load[l])]
          : [],
      ),
    )
    expect(errors.length).toBeGreaterThan(5)
    expect(Math.abs(errors.reduce((sum, error) => sum + error, 0) / errors.length)).toBeLessThan(1)
  })

  test('gain, step, bounds and delay are taken', async () => {
    const options = { gain: 1, maxStepPct: 1, boundsPct: [-0.5, 0.5], delaySeconds: 0.2 }
    const { body: answer } = await app.ask('POST', '/api/fuel-trim/suggest', { ...body, options })
    const suggestion = answer as Suggestion
    expect(suggestion.delaySeconds).toBeCloseTo(0.2, 9)
    for (const cell of suggestion.cells.flat()) expect(Math.abs(cell.trimPct)).toBeLessThanOrEqual(0.5)
  })

  test('the current table is the one that changes, unearned cells stay', async () => {
    const currentPct = rpm.map(() => load.map(() => 3))
    const { body: answer } = await app.ask('POST', '/api/fuel-trim/suggest', {
      ...body,
      grid: { ...body.grid, currentPct },
    })
    for (const cell of (answer as Suggestion).cells.flat())
      if (!cell.earned) expect([cell.trimPct, cell.changePct]).toEqual([3, 0])
  })

  test('two fits at once are both answered', async () => {
    const [a, b] = await Promise.all([
      app.ask('POST', '/api/fuel-trim/suggest', body),
      app.ask('POST', '/api/fuel-trim/suggest', body),
    ])
    expect(a).toEqual(b)
  })

  test.each([
    ['text in a number', 'time,rpm,throttle,afr\n0,1500,3,14\n1,1500,x,14\n', 'not-a-number', 3, 3],
    ['NaN', 'time,rpm,throttle,afr\n0,1500,3,NaN\n', 'not-a-number', 2, 4],
    ['time backwards', 'time,rpm,throttle,afr\n5,1500,3,14\n4,1500,3,14\n', 'time-runs-backwards', 3, 1],
    ['a missing column', 'time,rpm,throttle\n0,1500,3\n', 'column-missing', 1, 1],
    ['no rows', 'time,rpm,throttle,afr\n', 'no-rows', 1, 1],
  ])('%s is 422 with line and column', async (_, bad, code, line, column) => {
    const answer = await app.ask('POST', '/api/fuel-trim/suggest', { ...body, log: { csv: bad } })
    expect(answer.status).toBe(422)
    expect(answer.body).toMatchObject([{ code, line, column }])
    expect((answer.body as { path: string }[])[0].path).toMatch(/^log\./)
  })

  test('an empty log is said to be empty', async () => {
    expect(await app.ask('POST', '/api/fuel-trim/suggest', { ...body, log: { csv: '' } })).toMatchObject({
      status: 422,
      body: [{ code: 'file-empty', path: 'log.csv' }],
    })
  })

  test('a table of the wrong size is 400 by path', async () => {
    const answer = await app.ask('POST', '/api/fuel-trim/suggest', {
      ...body,
      grid: { ...body.grid, trimPct: zero.slice(1) },
    })
    expect(answer).toMatchObject({ status: 400, body: [{ path: 'grid.trimPct' }] })
  })

  test('over 32 MB is 413', async () => {
    const answer = await app.ask('POST', '/api/fuel-trim/suggest', { ...body, log: { csv: 'x'.repeat(34_000_000) } })
    expect(answer.status).toBe(413)
  })
})

test('a fit over its time is ended with a sentence, and the next one works', async () => {
  const hasty = await testApp({ fitLimitMs: 1 })
  const slow = await hasty.ask('POST', '/api/fuel-trim/suggest', body)
  expect(slow).toMatchObject({ status: 503, body: [{ code: 'fit-too-slow' }] })
  await hasty.close()
  expect((await app.ask('POST', '/api/fuel-trim/suggest', body)).status).toBe(200)
})

describe('log bytes', () => {
  const put = (hash: string, payload: Buffer | string) =>
    app.server.inject({
      method: 'PUT',
      url: `/api/logs/${hash}`,
      payload,
      headers: { 'content-type': 'application/octet-stream' },
    })

  test('come back as they went in, and a wrong hash keeps nothing', async () => {
    const { createHash } = await import('node:crypto')
    const bytes = Buffer.from([0xff, 0xfe, 0x41, 0x00])
    const hash = createHash('sha256').update(bytes).digest('hex')
    expect((await put(hash, bytes)).statusCode).toBe(204)
    expect((await app.server.inject(`/api/logs/${hash}`)).rawPayload).toEqual(bytes)
    const other = '1'.repeat(64)
    expect((await put(other, bytes)).json()).toMatchObject([{ code: 'hash-mismatch' }])
    expect((await app.server.inject(`/api/logs/${other}`)).statusCode).toBe(404)
  })

  test('over 100 MB is refused while it arrives', async () => {
    const answer = await put('2'.repeat(64), Buffer.alloc(105 * 1024 * 1024))
    expect(answer.statusCode).toBe(413)
    expect(answer.json()[0].message).toContain('100 MB')
  })
})
