import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { TimeReport, TimeSample } from '@tidy-badger/core/jobs'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
let minute = 0
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

type Problem = { code: string; path: string; message: string }
interface Answer {
  removals: { id: string; beforeBattery: boolean }[]
  closing: { id: string; back: string[] }[]
  minutes: { p50: number; p90: number }
  tools: string[]
  saved: { cover: string; items: string[] }[]
}
const ask = (body: object) => app.ask('POST', '/api/access/plan', body)
const gorse = { id: 'pellick-gorse-430' }

describe('the access plan', () => {
  test('says what comes off, in order, and back on, with minutes, tools and what is saved', async () => {
    const { status, body } = await ask({ machine: gorse, targets: ['injector', 'throttle'] })
    expect(status).toBe(200)
    const plan = body as Answer
    expect(plan.removals.map((item) => item.id)).toEqual(['seat', 'tank-cover'])
    expect(plan.closing.map((item) => item.id)).toEqual(['tank-cover', 'seat'])
    expect(plan.closing[0].back).toEqual(['four washers'])
    expect(plan.saved).toEqual([{ cover: 'tank-cover', name: 'Tank cover', items: ['four washers'] }])
    expect(plan.tools).toEqual(['hex socket 4'])
    expect(plan.minutes.p50).toBeGreaterThan(15)
    expect(plan.minutes.p90).toBeGreaterThan(plan.minutes.p50)
  })

  test('two people are quicker than one where the machine lets them', async () => {
    const targets = ['injector-1', 'coil-1', 'fan-l', 'fan-r', 'headlamp', 'oxygen-l']
    const machine = { id: 'tarnbrook-saddler-880' }
    const one = (await ask({ machine, targets, people: 1 })).body as Answer
    const two = (await ask({ machine, targets, people: 2 })).body as Answer
    expect(two.minutes.p50).toBeLessThan(one.minutes.p50 * 0.8)
    expect(two.removals.map((item) => item.id).sort()).toEqual(one.removals.map((item) => item.id).sort())
  })

  test('with a battery school, what hides the battery comes off first', async () => {
    const body = (await ask({ machine: gorse, targets: ['crank'], school: 'negative off' })).body as Answer
    expect(body.removals.map((item) => [item.id, item.beforeBattery])).toEqual([
      ['seat', true],
      ['side-right', false],
    ])
  })

  test('a whole machine document may be sent; a cycle in it is named', async () => {
    const { body } = await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')
    const machine = (body as { document: Record<string, unknown> }).document
    const covers = structuredClone(machine.covers) as { id: string; after: string[] }[]
    covers[0].after = ['tank-cover']
    const refused = await ask({ machine: { ...machine, variants: [], covers }, targets: ['crank'] })
    expect(refused.status).toBe(400)
    expect(refused.body as Problem[]).toMatchObject([{ code: 'cover-cycle', path: 'machine.covers.0.after' }])
    expect((await ask({ machine: { ...machine, version: 99 }, targets: ['crank'] })).status).toBe(200)
  })

  test.each([
    [{ machine: gorse, targets: ['wing'] }, 422, 'targets.0'],
    [{ machine: gorse }, 400, 'targets'],
    [{ machine: gorse, targets: [], people: 3 }, 400, 'people'],
    [{ machine: gorse, targets: [], school: 'positive first' }, 400, 'school'],
    [{ machine: { id: 'nobody' }, targets: [] }, 422, 'machine.id'],
  ])('%j is refused with its path', async (body, status, path) => {
    const answer = await ask(body)
    expect(answer.status).toBe(status)
    expect((answer.body as Problem[])[0].path).toBe(path)
  })
})

describe('a job on the clock', () => {
  const at = () => new Date(Date.UTC(2026, 5, 1, 8, (minute += 4))).toISOString()
  async function finishedJob(offMinutes: number): Promise<string> {
    const { id } = (await app.ask('POST', '/api/jobs', { machine: gorse, kit: { id: 'quernby-p1' } })).body as {
      id: string
    }
    const entry = (n: number, body: object, when = at()) => ({ id: `${id}-${n}`, at: when, by: 'Runa', ...body })
    const first = at()
    const later = new Date(Date.parse(first) + offMinutes * 60_000).toISOString()
    minute += offMinutes
    const entries = [
      entry(1, { kind: 'note', text: 'begun' }, first),
      entry(2, { kind: 'cover-off', cover: 'tank-cover' }, later),
      entry(3, { kind: 'cover-on', cover: 'tank-cover' }),
      entry(4, { kind: 'step-done', step: 'recheck', wrote: 'after ten hours, Runa looks' }, at()),
      entry(5, { kind: 'station-done', station: 'hand-back' }),
    ]
    expect((await app.ask('POST', `/api/jobs/${id}/journal`, { entries })).status).toBe(200)
    return id
  }

  test('finished jobs teach their times; the job itself does not teach itself', async () => {
    const id = await finishedJob(11)
    await finishedJob(9)
    const { body } = await app.ask('GET', '/api/times?machine=pellick-gorse-430')
    const off = (body as TimeSample[]).filter((sample) => sample.key === 'off.tank-cover')
    expect(off.map((sample) => sample.minutes).sort()).toEqual([11, 9])
    const others = await app.ask('GET', `/api/times?machine=pellick-gorse-430&without=${id}`)
    expect((others.body as TimeSample[]).filter((sample) => sample.key === 'off.tank-cover')).toHaveLength(1)
  })

  test('the time report sets what was taken beside what was planned, also as CSV', async () => {
    const id = await finishedJob(20)
    const report = (await app.ask('GET', `/api/jobs/${id}/time-report`)).body as TimeReport
    const open = report.rows.find((row) => row.station === 'open-up')
    expect(open).toMatchObject({ takenMin: 20 })
    expect(report.slow[0]).toMatchObject({ name: 'Tank cover off', takenMin: 20 })
    expect(report.people).toEqual([{ by: 'Runa', minutes: 28 }])
    const csv = await app.server.inject({ url: `/api/jobs/${id}/times.csv` })
    expect(csv.headers['content-type']).toContain('text/csv')
    expect(csv.body).toMatch(/^station,planned \(min\),taken \(min\),tasks,tasks measured\r\n/)
    expect(csv.body).toContain('open-up,')
  })

  test('the booking is a calendar with the job in it', async () => {
    const id = await finishedJob(5)
    const answer = await app.server.inject({ url: `/api/jobs/${id}/booking.ics?start=2026-08-20T07:00:00Z` })
    expect(answer.headers['content-type']).toContain('text/calendar')
    expect(answer.body).toContain('BEGIN:VCALENDAR\r\n')
    expect(answer.body).toContain('DTSTART:20260820T070000Z')
    expect(answer.body).toContain('SUMMARY:Gorse 430 + P1')
    expect((await app.server.inject({ url: `/api/jobs/${id}/booking.ics?start=soon` })).statusCode).toBe(400)
  })

  test('the steps come on paper', async () => {
    const id = await finishedJob(5)
    const answer = await app.server.inject({ url: `/api/jobs/${id}/steps.pdf` })
    expect(answer.headers['content-type']).toBe('application/pdf')
    expect(answer.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
    expect(answer.rawPayload.length).toBeGreaterThan(10_000)
  })

  test('a job is not closed with things in the tray, unless somebody says why', async () => {
    const { id } = (await app.ask('POST', '/api/jobs', { machine: gorse, kit: { id: 'quernby-p1' } })).body as {
      id: string
    }
    const add = (...entries: object[]) => app.ask('POST', `/api/jobs/${id}/journal`, { entries })
    await add({ id: 'a', kind: 'cover-off', cover: 'seat' })
    const refused = await add({ id: 'b', kind: 'station-done', station: 'close-up' })
    expect(refused.status).toBe(409)
    expect((refused.body as Problem[])[0]).toMatchObject({
      code: 'tray-not-empty',
      message: 'Still in the tray: seat. Put it back, or write down why it stays off.',
    })
    const reason = { id: 'c', kind: 'left-off', cover: 'seat', reason: 'Owner takes it to the saddler' }
    expect((await add(reason, { id: 'd', kind: 'station-done', station: 'close-up' })).status).toBe(200)
    expect((await add({ id: 'e', kind: 'cover-off', cover: 'wing' })).status).toBe(422)
  })
})
