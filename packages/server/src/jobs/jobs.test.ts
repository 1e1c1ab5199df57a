import type { JobFile } from '@tidy-badger/core/jobs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
async function newJob(more: object = {}): Promise<string> {
  const { body } = await app.ask('POST', '/api/jobs', { ...quad, ...more })
  return (body as { id: string }).id
}
const append = (id: string, entries: object[], base?: number) =>
  app.ask('POST', `/api/jobs/${id}/journal`, { entries, ...(base === undefined ? {} : { base }) })
const note = (id: string, text = 'x') => ({ id, kind: 'note', text })

describe('jobs', () => {
  test('open, list, show', async () => {
    const { status, body } = await app.ask('POST', '/api/jobs', { ...quad, title: 'hut 7' })
    expect(status).toBe(201)
    expect(body).toMatchObject({ title: 'hut 7', machine: { id: 'pellick-gorse-430', version: 4 }, station: 'take-in' })
    const list = await app.ask('GET', '/api/jobs')
    expect(list.body).toEqual(expect.arrayContaining([expect.objectContaining({ id: (body as { id: string }).id })]))
    const shown = await app.ask('GET', `/api/jobs/${(body as { id: string }).id}`)
    expect(shown.body).toMatchObject({ dossiers: { machine: { model: 'Gorse 430' }, kit: { model: 'P1' } } })
  })

  test('a variant is composed, a whole document is taken', async () => {
    const id = await newJob({ machine: { id: 'pellick-gorse-430', variant: 'from-2021' } })
    const { body } = await app.ask('GET', `/api/jobs/${id}`)
    const { machine } = (body as { dossiers: { machine: { connectors: { id: string }[] } } }).dossiers
    expect(machine.connectors.map((connector) => connector.id)).toContain('speed')
    const own = await app.ask('POST', '/api/jobs', { ...quad, machine: { ...machine, id: 'my-quad', variants: [] } })
    expect(own.status).toBe(201)
  })

  test.each([
    ['an unknown machine', { ...quad, machine: { id: 'ghost' } }, 422, 'machine.id', 'There is no machine "ghost".'],
    ['an unknown version', { ...quad, kit: { id: 'quernby-p1', version: 9 } }, 422, 'kit.id', 'in version 9'],
    [
      'an unknown variant',
      { ...quad, machine: { id: 'pellick-gorse-430', variant: 'x' } },
      422,
      'machine.variant',
      'no variant "x"',
    ],
    ['no kit', { machine: quad.machine }, 400, 'kit', '"kit" is missing'],
    [
      'a field nobody reads',
      { ...quad, machine: { id: 'pellick-gorse-430', colour: 1 } },
      400,
      'machine.colour',
      'nobody reads',
    ],
    ['a broken document', { ...quad, machine: { kind: 'machine', id: 'x' } }, 400, 'machine.version', 'is missing'],
  ])('%s is refused with path and sentence', async (_, body, status, path, sentence) => {
    const answer = await app.ask('POST', '/api/jobs', body)
    expect(answer.status).toBe(status)
    const problem = (answer.body as { path: string; message: string }[]).find((item) => item.path === path)
    expect(problem?.message).toContain(sentence)
  })
})

describe('journal', () => {
  test('seq counts up, the head is told, after reads on', async () => {
    const id = await newJob()
    expect((await append(id, [note('a'), note('b')])).body).toEqual({
      head: 2,
      entries: [
        { id: 'a', seq: 1 },
        { id: 'b', seq: 2 },
      ],
    })
    await append(id, [note('c')])
    const { body } = await app.ask('GET', `/api/jobs/${id}/journal?after=2`)
    expect(body).toMatchObject({ head: 3, entries: [{ id: 'c', seq: 3, v: 3, kind: 'note', text: 'x' }] })
  })

  test('sending again gives the old seq; other content under the same id is 409', async () => {
    const id = await newJob()
    await append(id, [note('a'), note('b')])
    expect((await append(id, [note('b'), note('c')])).body).toEqual({
      head: 3,
      entries: [
        { id: 'b', seq: 2 },
        { id: 'c', seq: 3 },
      ],
    })
    expect(await append(id, [note('b', 'changed')])).toMatchObject({ status: 409, body: [{ code: 'entry-id-reused' }] })
  })

  test('a batch is all or nothing', async () => {
    const id = await newJob()
    const answer = await append(id, [note('a'), { id: 'b', kind: 'tugged', kitEnd: 'ghost' }])
    expect(answer).toMatchObject({ status: 422, body: [{ path: 'entries.1.kitEnd' }] })
    expect((await app.ask('GET', `/api/jobs/${id}/journal`)).body).toEqual({ head: 0, entries: [] })
  })

  test('a stale setting is 409 with the entries since', async () => {
    const id = await newJob()
    const set = (entry: string, value: string, replaces: string | null) => ({
      id: entry,
      kind: 'setting',
      setting: 'map',
      value,
      replaces,
    })
    await append(id, [note('n'), set('s1', 'A', null)])
    const answer = await append(id, [set('s2', 'B', null)], 1)
    expect(answer).toMatchObject({
      status: 409,
      body: [{ code: 'stale-base', head: 2, entries: [{ id: 's1', seq: 2 }] }],
    })
    expect((await append(id, [note('late')], 1)).status).toBe(200)
  })

  test('undo with dependents, stops at the gates', async () => {
    const id = await newJob()
    await append(id, [
      { id: 'c', kind: 'connected', kitEnd: 'ground', to: { stud: 'engine-strap' } },
      { id: 't', kind: 'tugged', kitEnd: 'ground' },
    ])
    expect(await append(id, [{ id: 'u', kind: 'undo', undoes: 'c' }])).toMatchObject({
      status: 409,
      body: [{ code: 'needed-by-others', dependents: ['t'] }],
    })
    await append(id, [{ id: 'x', kind: 'connected', kitEnd: 'injector', to: { kitEnd: 'injector' } }])
    expect(await append(id, [{ id: 'w', kind: 'station-done', station: 'wake' }])).toMatchObject({
      status: 409,
      body: [{ code: 'stop-open' }],
    })
    expect((await append(id, [note('still open to notes')])).status).toBe(200)
  })

  test.each([
    ['no entries', { entries: [] }, 'entries'],
    ['an unknown kind', { entries: [{ id: 'a', kind: 'dance' }] }, 'entries.0.kind'],
    ['a note without text', { entries: [{ id: 'a', kind: 'note' }] }, 'entries.0.text'],
    ['no body', {}, 'entries'],
  ])('%s is 400 by path', async (_, body, path) => {
    const id = await newJob()
    const answer = await app.ask('POST', `/api/jobs/${id}/journal`, body)
    expect(answer.status).toBe(400)
    expect((answer.body as { path: string }[]).map((problem) => problem.path)).toContain(path)
  })

  test('a log must have arrived before it is in the journal', async () => {
    const id = await newJob()
    const entry = {
      id: 'l',
      kind: 'log-imported',
      log: 'ab'.repeat(32),
      name: 'ride.csv',
      rows: 1,
      bytes: 1,
      mapping: { columns: {}, units: {}, dropUnreadable: false },
      tableInForce: null,
    }
    expect(await append(id, [entry])).toMatchObject({ status: 422, body: [{ code: 'log-missing' }] })
  })

  test('over 1 MB is 413 with a sentence', async () => {
    const id = await newJob()
    const answer = await append(id, [note('a', 'x'.repeat(1_100_000))])
    expect(answer.status).toBe(413)
    expect((answer.body as { message: string }[])[0].message).toContain('larger than this place takes')
  })

  test('two people writing at once lose nothing', async () => {
    const id = await newJob()
    const writes = Array.from({ length: 40 }, (_, i) => append(id, [note(`p${i % 2}-${i}`)]))
    await Promise.all(writes)
    const { body } = await app.ask('GET', `/api/jobs/${id}/journal`)
    const { head, entries } = body as { head: number; entries: { seq: number }[] }
    expect(head).toBe(40)
    expect(entries.map((entry) => entry.seq)).toEqual(Array.from({ length: 40 }, (_, i) => i + 1))
  })
})

describe('export and import', () => {
  const csv = 'time,rpm,throttle,afr\n0,1500,3,14\n'
  async function fullJob(): Promise<{ id: string; file: JobFile }> {
    const id = await newJob({ title: 'to go' })
    const { createHash } = await import('node:crypto')
    const log = createHash('sha256').update(csv).digest('hex')
    const put = await app.server.inject({
      method: 'PUT',
      url: `/api/logs/${log}`,
      payload: csv,
      headers: { 'content-type': 'text/csv' },
    })
    expect(put.statusCode).toBe(204)
    await append(id, [
      note(`${id}-n`),
      {
        id: `${id}-l`,
        kind: 'log-imported',
        log,
        name: 'ride.csv',
        rows: 1,
        bytes: csv.length,
        mapping: { columns: {}, units: {}, dropUnreadable: false },
        tableInForce: null,
      },
    ])
    const { body } = await app.ask('GET', `/api/jobs/${id}/export`)
    return { id, file: body as JobFile }
  }

  test('the file holds journal, dossiers with hashes, and logs', async () => {
    const { file } = await fullJob()
    expect(file.journal).toHaveLength(2)
    expect(file.dossiers.map((dossier) => dossier.hash)).toEqual([file.job.machine.hash, file.job.kit.hash])
    expect(file.logs[0]).toMatchObject({ encoding: 'utf-8', data: csv })
  })

  test('into another store: a new id, the same journal, provenance kept; again: merged', async () => {
    const { id, file } = await fullJob()
    const other = await testApp()
    const first = await other.ask('POST', '/api/jobs/import', file)
    expect(first).toMatchObject({ status: 201, body: { merged: false, added: 2 } })
    const newId = (first.body as { id: string }).id
    expect(newId).not.toBe(id)
    const journal = await other.ask('GET', `/api/jobs/${newId}/journal`)
    expect(journal.body).toEqual({ head: 2, entries: file.journal })
    const list = await other.ask('GET', '/api/jobs')
    expect(list.body).toMatchObject([{ id: newId, provenance: [{ job: id }] }])

    await append(id, [note(`${id}-later`)])
    const later = (await app.ask('GET', `/api/jobs/${id}/export`)).body
    expect(await other.ask('POST', '/api/jobs/import', later)).toMatchObject({
      status: 200,
      body: { id: newId, merged: true, added: 1, head: 3 },
    })
    expect(await other.ask('POST', '/api/jobs/import', later)).toMatchObject({
      status: 200,
      body: { added: 0, head: 3 },
    })
    await other.close()
  })

  test.each([
    ['no job at all', () => ({}), 400, 'format'],
    [
      'an entry that breaks its schema',
      (file: JobFile) => ({ ...file, journal: [{ ...file.journal[0], kind: 'dance' }] }),
      400,
      'journal.0.kind',
    ],
    [
      'a changed dossier',
      (file: JobFile) => ({
        ...file,
        dossiers: [
          { ...file.dossiers[0], document: { ...file.dossiers[0].document, model: 'Other' } },
          file.dossiers[1],
        ],
      }),
      400,
      'dossiers.0.hash',
    ],
    ['a missing dossier', (file: JobFile) => ({ ...file, dossiers: [file.dossiers[0]] }), 400, 'job.kit.hash'],
    ['a changed log', (file: JobFile) => ({ ...file, logs: [{ ...file.logs[0], data: 'other' }] }), 422, 'logs.0.hash'],
    ['a missing log', (file: JobFile) => ({ ...file, logs: [] }), 422, 'journal.1.log'],
    [
      'entries out of order',
      (file: JobFile) => ({ ...file, journal: [...file.journal].reverse() }),
      400,
      'journal.1.seq',
    ],
  ])('%s is refused by path and nothing is stored', async (_, change, status, path) => {
    const { file } = await fullJob()
    const other = await testApp()
    const answer = await other.ask('POST', '/api/jobs/import', change(file))
    expect(answer.status).toBe(status)
    expect((answer.body as { path: string }[]).map((problem) => problem.path)).toContain(path)
    expect((await other.ask('GET', '/api/jobs')).body).toEqual([])
    await other.close()
  })
})
