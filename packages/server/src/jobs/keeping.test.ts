import type { JobFile } from '@tidy-badger/core/jobs'
import { Readable } from 'node:stream'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { dossierService } from '../dossiers/index.ts'
import { testApp, type TestApp } from '../testApp.ts'
import { deletedJobsLiveMs, mostSince } from './keeping.ts'
import { liveSockets } from './live.ts'
import { jobService } from './service.ts'

let app: TestApp
let clock = Date.UTC(2026, 5, 1)
beforeAll(async () => {
  app = await testApp({ now: () => (clock += 1000) })
})
afterAll(() => app.close())

const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
const note = (id: string, more: object = {}) => ({ id, kind: 'note', text: 'x', ...more })
async function newJob(title = 'a job'): Promise<string> {
  return ((await app.ask('POST', '/api/jobs', { ...quad, title })).body as { id: string }).id
}
const append = (id: string, entries: object[], base?: number) =>
  app.ask('POST', `/api/jobs/${id}/journal`, { entries, ...(base === undefined ? {} : { base }) })
const exported = async (id: string) => (await app.ask('GET', `/api/jobs/${id}/export`)).body as JobFile
const titles = async (query = '') =>
  ((await app.ask('GET', `/api/jobs${query}`)).body as { title: string }[]).map((job) => job.title)

describe('a job that is loaded by two at once', () => {
  test('is one object, and every append after it is taken', async () => {
    const id = await newJob()
    await append(id, [note('a')])
    for (let round = 0; round < 8; round++) {
      const cold = jobService(app.deps, dossierService(app.deps), liveSockets())
      const loads = [cold.load(id), cold.load(id), cold.append(id, { entries: [entry(`r${round}`)] }, null)]
      const [first, second] = await Promise.all(loads)
      expect(first).toBe(second)
      await cold.append(id, { entries: [entry(`s${round}`)] }, null)
    }
    const other = jobService(app.deps, dossierService(app.deps), liveSockets())
    expect((await other.journal(id, 0)).entries.map((item) => item.seq)).toEqual(
      Array.from({ length: 17 }, (_, i) => i + 1),
    )
  })

  test('whose store was written to by somebody else is judged again on what is there', async () => {
    const id = await newJob()
    const [one, two] = [0, 1].map(() => jobService(app.deps, dossierService(app.deps), liveSockets()))
    await Promise.all([one.load(id), two.load(id)])
    await one.append(id, { entries: [entry('a')] }, null)
    expect(await two.append(id, { entries: [entry('b')] }, null)).toEqual({ head: 2, entries: [{ id: 'b', seq: 2 }] })
  })

  function entry(id: string) {
    return { id, kind: 'note' as const, text: 'x' }
  }
})

describe('times and texts of entries', () => {
  test.each([
    ['no instant', { at: 'yesterday' }, 400, 'entries.0.at'],
    ['before 2000', { at: '1999-12-31T23:59:59Z' }, 400, 'entries.0.at'],
    ['more than a day ahead', { at: '2031-01-01T00:00:00Z' }, 422, 'entries.0.at'],
    ['a NUL in a text', { text: 'a\0b' }, 400, 'entries.0.text'],
    ['half a character', { text: 'a\ud800' }, 400, 'entries.0.text'],
  ])('%s is refused by path', async (_, more, status, path) => {
    const answer = await append(await newJob(), [note('a', more)])
    expect(answer).toMatchObject({ status, body: [{ path }] })
  })

  test('a conflict brings back at most so many entries, and says how many there are', async () => {
    const id = await newJob()
    await append(
      id,
      Array.from({ length: mostSince + 40 }, (_, i) => note(`n${i}`)),
    )
    await append(id, [{ id: 's', kind: 'setting', setting: 'map', value: 'A', replaces: null }])
    const answer = await append(id, [{ id: 't', kind: 'setting', setting: 'map', value: 'B', replaces: null }], 0)
    const [problem] = answer.body as { entries: unknown[]; since: number }[]
    expect(problem.entries).toHaveLength(mostSince)
    expect(problem.since).toBe(mostSince + 41)
  })
})

describe('import', () => {
  test.each([
    ['a version nobody knows', (f: JobFile) => ({ ...f, journal: [{ ...f.journal[0], v: 99 }] }), 'journal.0.v'],
    ['a time that is none', (f: JobFile) => ({ ...f, job: { ...f.job, createdAt: 'rubbish' } }), 'job.createdAt'],
    [
      'a reception that is none',
      (f: JobFile) => ({ ...f, journal: [{ ...f.journal[0], receivedAt: '' }] }),
      'journal.0.receivedAt',
    ],
    ['a text that is none', (f: JobFile) => ({ ...f, job: { ...f.job, title: 'a\0' } }), 'job.title'],
    ['no dossiers', (f: JobFile) => ({ ...f, dossiers: [] }), 'job.machine.hash'],
  ])('%s is refused by path, and the yard goes on', async (_, change, path) => {
    const id = await newJob()
    await append(id, [note(`${id}-a`)])
    const file = await exported(id)
    const changed = change({ ...file, job: { ...file.job, id: `${id}-x`, origin: `${id}-x` } })
    const answer = await app.ask('POST', '/api/jobs/import', changed)
    expect(answer.status).toBe(400)
    expect((answer.body as { path: string }[]).map((problem) => problem.path)).toContain(path)
    expect((await app.ask('GET', '/api/jobs')).status).toBe(200)
    expect((await app.ask('GET', '/api/times?machine=pellick-gorse-430')).status).toBe(200)
  })

  test('numbers are given anew in order, however large they were', async () => {
    const id = await newJob()
    await append(id, [note(`${id}-a`), note(`${id}-b`)])
    const file = await exported(id)
    const [a, b] = file.journal
    const other = {
      ...file,
      job: { ...file.job, id: 'far', origin: 'far' },
      journal: [
        { ...a, seq: 7 },
        { ...b, seq: 2_147_483_647 },
      ],
    }
    const { body } = await app.ask('POST', '/api/jobs/import', other)
    const { id: made } = body as { id: string }
    expect(await append(made, [note('next')])).toMatchObject({ status: 200, body: { head: 3 } })
  })

  test('a file of 40 MB passes through', async () => {
    const id = await newJob()
    const file = await exported(id)
    const big = 'time,rpm,throttle,afr\n' + '0.05,1500,3,14.1\n'.repeat(2_400_000)
    const { createHash } = await import('node:crypto')
    const log = createHash('sha256').update(big).digest('hex')
    const entry = {
      id: 'l',
      kind: 'log-imported',
      log,
      name: 'ride.csv',
      rows: 2_400_000,
      bytes: big.length,
      mapping: { columns: {}, units: {}, dropUnreadable: false },
      tableInForce: null,
      seq: 1,
      v: 1,
      receivedAt: '2026-05-01T00:00:00Z',
    }
    const text = JSON.stringify({
      ...file,
      job: { ...file.job, id: 'large', origin: 'large' },
      journal: [entry],
      logs: [{ hash: log, encoding: 'utf-8', data: big }],
    })
    const answer = await app.server.inject({
      method: 'POST',
      url: '/api/jobs/import',
      headers: { 'content-type': 'application/json' },
      payload: Readable.from([text]),
    })
    expect(answer.statusCode).toBe(201)
    const back = await app.server.inject(`/api/jobs/${answer.json<{ id: string }>().id}/export`)
    expect(back.json<JobFile>().logs[0]).toMatchObject({ hash: log, encoding: 'gzip-base64' })
  })

  test.each([
    ['{"format":', 'not-json'],
    ['[1,2', 'not-json'],
    ['', 'body-empty'],
    ['"'.padEnd(40, 'x'), 'not-json'],
    ['[[[', 'too-deep'],
  ])('a document that begins %s is refused with a sentence', async (payload, code) => {
    const answer = await app.server.inject({
      method: 'POST',
      url: '/api/jobs/import',
      headers: { 'content-type': 'application/json' },
      payload: payload === '[[[' ? '['.repeat(20_000) : payload,
    })
    expect(answer.statusCode).toBe(400)
    expect(answer.json<{ code: string }[]>()[0].code).toBe(code)
  })
})

test('a job that cannot be read says why, hides no other, and can be taken out and thrown away', async () => {
  const yard = await testApp()
  const { id } = (await yard.ask('POST', '/api/jobs', { ...quad, title: 'sound' })).body as { id: string }
  const { id: bad } = (await yard.ask('POST', '/api/jobs', { ...quad, title: 'from the future' })).body as {
    id: string
  }
  await yard.ask('POST', `/api/jobs/${bad}/journal`, { entries: [note('a')] })
  const { jobRepository } = await import('./repository.ts')
  await jobRepository(yard.deps.db).restore(bad, null, [
    { seq: 2, id: 'b', v: 99, receivedAt: '2026-05-01T00:00:00Z', body: { id: 'b', kind: 'dance' }, sender: null },
  ])
  const { buildApp } = await import('../app.ts')
  const restarted = await buildApp(yard.deps)
  const list = (await restarted.server.inject('/api/jobs')).json<{ id: string; title: string; unreadable?: string }[]>()
  expect(list.map((job) => [job.title, job.unreadable === undefined])).toEqual([
    ['sound', true],
    ['from the future', false],
  ])
  expect(list[1].unreadable).toContain('version 99')
  expect((await restarted.server.inject(`/api/jobs/${id}`)).statusCode).toBe(200)
  expect((await restarted.server.inject(`/api/jobs/${bad}`)).json()).toMatchObject([{ code: 'cannot-be-read' }])
  expect((await restarted.server.inject(`/api/jobs/${bad}/export`)).json()).toMatchObject({ journal: [{}, { v: 99 }] })
  expect((await restarted.server.inject({ method: 'DELETE', url: `/api/jobs/${bad}` })).statusCode).toBe(204)
  expect((await restarted.server.inject('/api/jobs')).json()).toHaveLength(1)
  await restarted.server.close()
  await yard.close()
})

describe('the list', () => {
  test('is the whole array, and by query a page of it with the next one named', async () => {
    const yard = await testApp()
    for (let i = 0; i < 7; i++) await yard.ask('POST', '/api/jobs', { ...quad, title: `number ${i}` })
    const whole = (await yard.ask('GET', '/api/jobs')).body as { id: string; title: string }[]
    expect(whole).toHaveLength(7)
    const seen: string[] = []
    for (let url: string | undefined = '/api/jobs?limit=3'; url !== undefined;) {
      const page: { json: () => unknown; headers: { link?: unknown } } = await yard.server.inject(url)
      seen.push(...(page.json() as { title: string }[]).map((job) => job.title))
      url = /<([^>]+)>; rel="next"/.exec(String(page.headers.link ?? ''))?.[1]
    }
    expect(seen).toEqual(whole.map((job) => job.title))
    expect((await yard.ask('GET', '/api/jobs?q=NUMBER%205')).body).toMatchObject([{ title: 'number 5' }])
    expect((await yard.ask('GET', '/api/jobs?q=gorse')).body).toHaveLength(7)
    expect((await yard.ask('GET', '/api/jobs?station=take-in')).body).toHaveLength(7)
    expect((await yard.ask('GET', '/api/jobs?station=wake')).body).toEqual([])
    expect((await yard.ask('GET', '/api/jobs?limit=0')).status).toBe(400)
    await yard.close()
  })

  test('follows what is written, and is the same after a restart', async () => {
    const id = await newJob('followed')
    await append(id, [{ id: 'c', kind: 'connected', kitEnd: 'injector', to: { kitEnd: 'injector' } }])
    const find = (list: unknown) =>
      (list as { id: string; stop: string | null; head: number }[]).find((job) => job.id === id)
    const before = find((await app.ask('GET', '/api/jobs')).body)
    expect(before).toMatchObject({ head: 1, stop: expect.any(String) })
    const { buildApp } = await import('../app.ts')
    const restarted = await buildApp(app.deps)
    expect(find((await restarted.server.inject('/api/jobs')).json())).toEqual(before)
    await restarted.server.close()
  })
})

describe('put away and thrown away', () => {
  test('an archived job leaves the list, is found again, and comes back', async () => {
    const id = await newJob('to archive')
    expect((await app.ask('POST', `/api/jobs/${id}/archive`)).status).toBe(204)
    expect(await titles()).not.toContain('to archive')
    expect(await titles('?archived=true')).toEqual(['to archive'])
    expect((await append(id, [note('late')])).status, 'still written to').toBe(200)
    await app.ask('POST', `/api/jobs/${id}/restore`)
    expect(await titles()).toContain('to archive')
  })

  test('a deleted job is kept thirty days and can be brought back, then is gone', async () => {
    const id = await newJob('to delete')
    await append(id, [note('kept')])
    expect((await app.ask('DELETE', `/api/jobs/${id}`)).status).toBe(204)
    expect(await titles()).not.toContain('to delete')
    expect(await titles('?deleted=true')).toContain('to delete')
    const gone = await append(id, [note('late')])
    expect(gone.status).toBe(404)
    expect((gone.body as { message: string }[])[0].message).toContain('thrown away')
    await app.ask('POST', `/api/jobs/${id}/restore`)
    expect((await app.ask('GET', `/api/jobs/${id}/journal`)).body).toMatchObject({ head: 1 })
    await app.ask('DELETE', `/api/jobs/${id}`)
    clock += deletedJobsLiveMs - 3_600_000
    expect(await app.jobs.purge()).toMatchObject({ jobs: 0 })
    clock += 2 * 3_600_000
    expect(await app.jobs.purge()).toMatchObject({ jobs: 1 })
    expect((await app.ask('POST', `/api/jobs/${id}/restore`)).status).toBe(404)
  })

  test('importing the file of a deleted job brings it back', async () => {
    const id = await newJob('back by file')
    await append(id, [note(`${id}-k`)])
    const file = await exported(id)
    await app.ask('DELETE', `/api/jobs/${id}`)
    expect(await app.ask('POST', '/api/jobs/import', file)).toMatchObject({ status: 200, body: { id, added: 0 } })
    expect((await app.ask('GET', `/api/jobs/${id}`)).status).toBe(200)
  })
})
