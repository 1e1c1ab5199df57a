import type { Machine } from '@tidy-badger/core/dossiers'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { buildApp } from '../app.ts'
import { testApp, type TestApp } from '../testApp.ts'
import { dossierRepository } from './repository.ts'

let app: TestApp
let gorse: Machine
beforeAll(async () => {
  app = await testApp()
  gorse = ((await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')).body as { document: Machine }).document
})
afterAll(() => app.close())

const versions = async () =>
  ((await app.ask('GET', '/api/dossiers')).body as { id: string; version: number }[])
    .filter((row) => row.id === gorse.id)
    .map((row) => row.version)

describe('a whole document that comes with a question', () => {
  test.each([
    ['/api/access/plan', { targets: ['seat-box'] }],
    ['/api/routing/plan', { kit: { id: 'quernby-p1' } }],
    ['/api/wiring/check', { kit: { id: 'quernby-p1' }, connections: [] }],
  ])('%s stores nothing, whatever version it says', async (url, more) => {
    const before = await versions()
    const answer = await app.ask('POST', url, { machine: { ...gorse, version: 99 }, ...more })
    expect([200, 422]).toContain(answer.status)
    expect(await versions()).toEqual(before)
    expect(await dossierRepository(app.deps.db).byId('machine', gorse.id, 99)).toBeUndefined()
  })

  test('belongs to the job opened on it, and to nobody else', async () => {
    const own = { ...gorse, version: 99, model: 'Gorse 430 of the hut' }
    const opened = await app.ask('POST', '/api/jobs', { machine: own, kit: { id: 'quernby-p1' } })
    expect(opened).toMatchObject({ status: 201, body: { machine: { version: 99 } } })
    expect(await versions()).not.toContain(99)
    const plain = await app.ask('POST', '/api/jobs', { machine: { id: gorse.id }, kit: { id: 'quernby-p1' } })
    expect(plain).toMatchObject({ body: { machine: { version: gorse.version } } })
    const next = await app.ask('POST', '/api/dossiers', { ...gorse, version: gorse.version + 1, model: 'Gorse 430 b' })
    expect(next.status, 'the honest next version is free').toBe(201)
    const asked = await app.ask('POST', '/api/jobs', {
      machine: { id: gorse.id, version: 99 },
      kit: { id: 'quernby-p1' },
    })
    expect(asked.status).toBe(422)
  })
})

describe('a job and newer versions', () => {
  test('keeps its version, is offered the next, takes it as an entry that lists what no longer fits, and can go back', async () => {
    const { body } = await app.ask('POST', '/api/jobs', {
      machine: { id: 'pellick-skua-960' },
      kit: { id: 'quernby-learner' },
    })
    const { id, machine } = body as { id: string; machine: { version: number; hash: string } }
    const skua = ((await app.ask('GET', '/api/dossiers/machine/pellick-skua-960')).body as { document: Machine })
      .document
    const cover = skua.covers?.[0]
    await app.ask('POST', `/api/jobs/${id}/journal`, { entries: [{ id: 'off', kind: 'cover-off', cover: cover?.id }] })
    expect((await app.ask('GET', `/api/jobs/${id}/newer`)).body).toEqual({ machine: null, kit: null })

    const renamed = JSON.parse(JSON.stringify(skua).replaceAll(`"${cover?.id}"`, '"other-cover"')) as Machine
    const published = await app.ask('POST', '/api/dossiers', { ...renamed, version: skua.version + 1 })
    expect(published.status).toBe(201)
    const offered = (await app.ask('GET', `/api/jobs/${id}/newer`)).body as {
      machine: { to: object; invalidates: { entry: string }[]; changes: unknown[] }
    }
    expect(offered.machine.invalidates.map((item) => item.entry)).toEqual(['off'])
    expect(offered.machine.changes.length).toBeGreaterThan(0)

    const change = {
      id: 'take',
      kind: 'dossier-changed',
      dossier: 'machine',
      to: offered.machine.to,
      replaces: machine.hash,
      invalidates: offered.machine.invalidates,
    }
    const append = (entries: object[]) => app.ask('POST', `/api/jobs/${id}/journal`, { entries })
    expect(await append([change, { id: 'n', kind: 'note', text: 'x' }])).toMatchObject({
      status: 422,
      body: [{ code: 'goes-alone' }],
    })
    expect(await append([{ ...change, replaces: 'f'.repeat(64) }])).toMatchObject({ status: 409 })
    expect((await append([change])).status).toBe(200)
    const after = (await app.ask('GET', `/api/jobs/${id}`)).body as {
      machine: { version: number }
      dossiers: { machine: Machine }
    }
    expect(after.machine.version).toBe(skua.version + 1)
    expect(after.dossiers.machine.covers?.[0].id).toBe('other-cover')
    expect((await append([{ id: 'off2', kind: 'cover-off', cover: 'other-cover' }])).status).toBe(200)

    const file = (await app.ask('GET', `/api/jobs/${id}/export`)).body as { dossiers: unknown[]; job: object }
    expect(file.dossiers).toHaveLength(3)
    const other = await testApp()
    expect(await other.ask('POST', '/api/jobs/import', file)).toMatchObject({ status: 201 })
    await other.close()

    const stuck = await append([{ id: 'u', kind: 'undo', undoes: 'take' }])
    expect(stuck).toMatchObject({ status: 409, body: [{ code: 'needed-by-others', dependents: ['off2'] }] })
    await append([{ id: 'u1', kind: 'undo', undoes: 'off2' }])
    expect((await append([{ id: 'u2', kind: 'undo', undoes: 'take' }])).status).toBe(200)
    expect((await app.ask('GET', `/api/jobs/${id}`)).body).toMatchObject({ machine: { version: skua.version } })
  })
})

test('what ships and was corrected is published as the next version, said, and only once', async () => {
  const repository = dossierRepository(app.deps.db)
  const row = await repository.byId('kit', 'lowlamp-dial')
  if (!row) throw new Error('the dial ships')
  // As an older release shipped it: the same id and version, other content.
  await app.deps.db.execute(
    `update dossiers set hash = repeat('0', 64), document = jsonb_set(document, '{model}', '"dial, as it was"') where hash = '${row.hash}'`,
  )
  const upgraded = await buildApp(app.deps)
  expect(upgraded.seeded).toMatchObject([{ version: row.version + 1, correction: true }])
  expect(upgraded.seeded[0].changes.join()).toContain('model')
  await upgraded.server.close()
  const again = await buildApp(app.deps)
  expect(again.seeded).toEqual([])
  const opened = await again.server.inject({
    method: 'POST',
    url: '/api/jobs',
    payload: { machine: { id: 'pellick-rime-790' }, kit: { id: 'lowlamp-dial' } },
  })
  expect(opened.json()).toMatchObject({ kit: { version: row.version + 1 } })
  await again.server.close()
})

describe('drafts', () => {
  const save = (id: string, base: number | null, model: string) =>
    app.ask('PUT', `/api/drafts/${id}${base === null ? '' : `?base=${base}`}`, { kind: 'machine', model })

  test('carry what they were made on, and conflict visibly', async () => {
    expect(await save('d', null, 'a')).toMatchObject({ status: 200, body: { revision: 1 } })
    expect(await save('d', 1, 'b')).toMatchObject({ status: 200, body: { revision: 2 } })
    const late = await save('d', 1, 'c')
    expect(late).toMatchObject({ status: 409, body: [{ code: 'draft-conflict' }] })
    expect(await save('d', null, 'c'), 'a new one under a known id').toMatchObject({ status: 409 })
    expect((await app.ask('GET', '/api/drafts/d')).body).toMatchObject({ revision: 2, document: { model: 'b' } })
    expect((await app.ask('DELETE', '/api/drafts/d')).status).toBe(204)
    expect((await save('d', 2, 'e')).status, 'thrown away in between').toBe(409)
  })
})
