import type { JobDossiers, NewEntry } from '@tidy-badger/core/jobs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { wholeJob, wholeJobOf } from '../../../core/src/jobs/wholeJobCase.ts'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp({ now: () => Date.UTC(2026, 8, 1) })
})
afterAll(() => app.close())

interface Answer {
  status: number
  body: unknown
}
interface Opened {
  id: string
  kits: { key: string; id: string }[]
  present: { id: string }[]
  places: { kit: string; place: string | null }[]
  vehicle: string
  dossiers: JobDossiers
  finished: boolean
}
interface Vehicle {
  id: string
  fitted: { kit: string; jobId: string; place: string | null }[]
  connections: { kit: string; kitEnd: string; to: object; jobId: string }[]
  punctures: { connector: string; cavity: number; sealed: boolean; inUse: boolean }[]
  cuts: { joined: boolean }[]
  jobs: { id: string; purpose: string; finished: boolean }[]
  open: { what: string; since: string }[]
  alike: string[]
}

const messages = ({ body }: Answer) => (body as { code: string; path: string; message: string }[])[0]

async function open(body: object): Promise<Opened> {
  const opened = await app.ask('POST', '/api/jobs', body)
  expect(opened, JSON.stringify(opened.body)).toMatchObject({ status: 201 })
  return job((opened.body as { id: string }).id)
}
const job = async (id: string) => (await app.ask('GET', `/api/jobs/${id}`)).body as Opened
const vehicle = async (id: string) => (await app.ask('GET', `/api/vehicles/${id}`)).body as Vehicle
const send = (id: string, entries: readonly object[]) => app.ask('POST', `/api/jobs/${id}/journal`, { entries })
const journal = async (id: string) =>
  ((await app.ask('GET', `/api/jobs/${id}/journal`)).body as { entries: NewEntry[] }).entries

/** Sends everything a fitter writes down from here to hand-back. */
async function finish({ id, dossiers }: Opened): Promise<void> {
  const before = await journal(id)
  const sent = await send(id, before.length === 0 ? wholeJob(dossiers) : wholeJobOf(dossiers, before))
  expect(sent, JSON.stringify(sent.body)).toMatchObject({ status: 200 })
  expect(await job(id)).toMatchObject({ finished: true })
}

describe('several kits in one job', () => {
  test('are opened together, named by kit, each with its place, and fitted from take-in to hand-back', async () => {
    const opened = await open({
      machine: { id: 'pellick-skua-960' },
      kits: [{ id: 'quernby-learner' }, { id: 'lowlamp-dial' }],
    })
    expect(opened.kits.map(({ key }) => key)).toEqual(['quernby-learner', 'lowlamp-dial'])
    expect(opened.places.map(({ kit }) => kit)).toEqual(['quernby-learner', 'lowlamp-dial'])
    expect(opened.places.every(({ place }) => place !== null)).toBe(true)
    const alone = await send(opened.id, [{ id: 'x', kind: 'tugged', kitEnd: 'ground' }])
    expect(messages(alone)?.message).toContain('"ground" is no end')
    const which = await send(opened.id, [{ id: 'm', kind: 'mounted', place: opened.places[0]?.place, trial: true }])
    expect(messages(which)).toMatchObject({ code: 'kit-missing' })
    await finish(opened)
    const listed = (await app.ask('GET', '/api/jobs')).body as Opened[]
    expect(listed.find(({ id }) => id === opened.id)?.kits).toHaveLength(2)
    const meter = (await app.ask('GET', `/api/jobs/${opened.id}/meter`)).body as { supply: { kits: { kit: string }[] } }
    expect(meter.supply.kits.map(({ kit }) => kit)).toEqual(['quernby-learner', 'lowlamp-dial'])
    for (const paper of [
      'handback.pdf',
      'roadside.pdf',
      'steps.pdf',
      'times.csv',
      'findings',
      'wiring',
      'access',
      'export',
    ])
      expect([paper, (await app.server.inject(`/api/jobs/${opened.id}/${paper}`)).statusCode]).not.toEqual([paper, 500])
  })

  test('a bus of two kits is one, and both are named where it is closed apart', async () => {
    const { id } = await open({
      machine: { id: 'ostrel-kittiwake-640' },
      kits: [{ id: 'quernby-p4-eight' }, { id: 'quernby-learner' }],
    })
    const link = { kitEnd: 'quernby-p4-eight:bus', to: { kitEnd: 'quernby-learner:bus' } }
    expect((await send(id, [{ id: 'l', kind: 'connected', ...link }])).status).toBe(200)
    const found = async () =>
      (
        (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as {
          findings: { rule: string; reason: string; at: object }[]
        }
      ).findings
    expect((await found()).filter(({ rule }) => rule === 'bus-terminators' || rule === 'loom-to-loom')).toEqual([])
    await send(id, [
      { id: 'd', kind: 'disconnected', kitEnd: link.kitEnd },
      { id: 't1', kind: 'connected', kitEnd: link.kitEnd, to: { closed: 'terminator' } },
      { id: 't2', kind: 'connected', kitEnd: link.to.kitEnd, to: { closed: 'terminator' } },
    ])
    const apart = (await found()).filter(({ rule }) => rule === 'closed-but-wanted')
    expect(apart.map(({ reason }) => reason).join(' ')).toMatch(/P4.*Learner|Learner.*P4/)
  })

  test('connections of several kits are checked without a job', async () => {
    const machine = { id: 'ostrel-kittiwake-640' }
    const kits = [{ id: 'quernby-p4-eight' }, { id: 'quernby-learner' }]
    const wrong = { kitEnd: 'quernby-p4-eight:bus', to: { kitEnd: 'quernby-learner:data' } }
    const answer = await app.ask('POST', '/api/wiring/check', { machine, kits, connections: [wrong] })
    expect(answer.status).toBe(200)
    const { findings } = answer.body as { findings: { rule: string; severity: string; reason: string }[] }
    expect(findings.find(({ rule }) => rule === 'loom-to-loom')).toMatchObject({ severity: 'stop' })
    const both = await app.ask('POST', '/api/wiring/check', { machine, kit: kits[0], kits, connections: [] })
    expect(both.status).toBe(400)
    const none = await app.ask('POST', '/api/wiring/check', { machine, connections: [] })
    expect(messages(none)).toMatchObject({
      path: 'kit',
      message: expect.stringContaining('"kit" is missing') as string,
    })
  })

  test('one kit more in mid-job: what was written before means the same, and without it again too', async () => {
    const quad = await open({ machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } })
    await send(quad.id, [{ id: 'c', kind: 'connected', kitEnd: 'ground', to: { stud: 'battery-negative' } }])
    const dial = (await app.ask('GET', '/api/dossiers/kit/lowlamp-dial')).body as {
      hash: string
      document: { version: number }
    }
    const kit = { id: 'lowlamp-dial', version: dial.document.version, hash: dial.hash }
    const added = await send(quad.id, [{ id: 'add', kind: 'kit-added', kit, invalidates: [] }])
    expect(added, JSON.stringify(added.body)).toMatchObject({ status: 200 })
    const twice = await send(quad.id, [{ id: 'again', kind: 'kit-added', kit, invalidates: [] }])
    expect(messages(twice)).toMatchObject({ code: 'kit-twice' })
    const two = await job(quad.id)
    expect(two.kits.map(({ key }) => key)).toEqual(['quernby-p1', 'lowlamp-dial'])
    const built = async () =>
      (
        (await app.ask('GET', `/api/jobs/${quad.id}/wiring`)).body as { connections: { kitEnd: string }[] }
      ).connections.map(({ kitEnd }) => kitEnd)
    expect(await built()).toEqual(['quernby-p1:ground'])
    // A device that did not know of it yet still calls it by its plain name.
    const late = await send(quad.id, [{ id: 't', kind: 'tugged', kitEnd: 'ground' }])
    expect(late, JSON.stringify(late.body)).toMatchObject({ status: 200 })
    await send(quad.id, [
      { id: 'c2', kind: 'connected', kitEnd: 'lowlamp-dial:ground', to: { stud: 'battery-negative' } },
    ])
    expect(await built()).toEqual(['quernby-p1:ground', 'lowlamp-dial:ground'])
    const only = await send(quad.id, [{ id: 'no', kind: 'kit-dropped', kit: 'ghost', invalidates: [] }])
    expect(messages(only)?.message).toContain('no kit of this job')
    expect(
      (await send(quad.id, [{ id: 'drop', kind: 'kit-dropped', kit: 'lowlamp-dial', invalidates: [] }])).status,
    ).toBe(200)
    expect(await built()).toEqual(['ground'])
    expect((await job(quad.id)).kits).toHaveLength(1)
    const last = await send(quad.id, [{ id: 'last', kind: 'kit-dropped', kit: 'quernby-p1', invalidates: [] }])
    expect(messages(last)?.message).toContain('only kit')
    await send(quad.id, [{ id: 'back', kind: 'undo', undoes: 'drop' }])
    expect(await built()).toEqual(['quernby-p1:ground', 'lowlamp-dial:ground'])
  })

  test.each([
    ['a kit twice', { kits: [{ id: 'quernby-p1' }, { id: 'quernby-p1' }] }, 422, 'kit-twice', 'named twice'],
    ['kit and kits', { kit: { id: 'quernby-p1' }, kits: [{ id: 'quernby-p1' }] }, 400, 'custom', 'not both'],
    ['no kits', { kits: [] }, 400, 'invalid-type', '"kit" is missing'],
    ['stock without a machine on file', { purpose: 'stock' }, 422, 'no-vehicle', 'machine on file'],
    ['a kit that is none', { kits: [{ id: 'quernby-p1' }, { id: 'ghost' }] }, 422, 'unknown-dossier', 'ghost'],
  ])('%s is refused in a sentence, and nothing is opened', async (_, more, status, code, sentence) => {
    const before = ((await app.ask('GET', '/api/jobs')).body as object[]).length
    const answer = await app.ask('POST', '/api/jobs', { machine: { id: 'pellick-gorse-430' }, ...more })
    expect(answer.status).toBe(status)
    expect(messages(answer)).toMatchObject({ code, message: expect.stringContaining(sentence) as string })
    expect(((await app.ask('GET', '/api/jobs')).body as object[]).length).toBe(before)
  })

  test('two controllers for one plug say so before the job opens', async () => {
    const answer = await app.ask('POST', '/api/jobs', {
      machine: { id: 'pellick-rime-790' },
      kits: [{ id: 'wren-core-48' }, { id: 'wren-core-34' }],
    })
    // Only one of them finds the plug: they do not meet there, or they are refused for meeting.
    expect([201, 422]).toContain(answer.status)
    if (answer.status === 422) expect(messages(answer)).toMatchObject({ code: 'kits-clash' })
  })
})

describe('a machine on file', () => {
  test('registered, fitted, looked after, taken back to stock; the kit goes to the shelf and into the next machine', async () => {
    const made = await app.ask('POST', '/api/vehicles', {
      machine: { id: 'pellick-gorse-430' },
      plate: 'SB 77',
      owner: { name: 'Hut 9', contact: 'radio 4' },
    })
    expect(made).toMatchObject({
      status: 201,
      body: { plate: 'SB 77', owner: { name: 'Hut 9' }, fitted: [], jobs: [], open: [] },
    })
    const { id } = made.body as Vehicle
    expect(messages(await app.ask('POST', '/api/jobs', { vehicle: id, purpose: 'stock' }))).toMatchObject({
      code: 'nothing-fitted',
    })
    const fit = await open({ vehicle: id, kits: [{ id: 'quernby-p1' }] })
    expect(fit.vehicle).toBe(id)
    expect((await vehicle(id)).open).toEqual([
      expect.objectContaining({ what: expect.stringContaining('not finished') as string }),
    ])
    await finish(fit)
    const fitted = await vehicle(id)
    expect(fitted.fitted).toMatchObject([{ kit: 'quernby-p1', jobId: fit.id }])
    expect(fitted.fitted[0]?.place).not.toBeNull()
    expect(fitted.connections.length).toBeGreaterThan(5)
    expect(fitted.punctures.every(({ inUse, sealed }) => inUse && !sealed)).toBe(true)
    expect(fitted.open.map(({ what }) => what)).toEqual([expect.stringContaining('ten hours')])

    expect(messages(await app.ask('POST', '/api/jobs', { vehicle: id, kits: [{ id: 'quernby-p1' }] }))).toMatchObject({
      code: 'kit-twice',
    })
    await finish(await open({ vehicle: id, purpose: 'look' }))
    expect((await vehicle(id)).open).toEqual([])

    // Another kit beside what is in it: by its plain names, as the only one of its job.
    const dial = await open({ vehicle: id, kits: [{ id: 'lowlamp-dial' }] })
    expect(dial.present.map((kit) => kit.id)).toEqual(['quernby-p1'])
    expect(
      (await send(dial.id, [{ id: 'g', kind: 'connected', kitEnd: 'ground', to: { stud: 'battery-negative' } }]))
        .status,
    ).toBe(200)
    await finish(dial)
    expect((await vehicle(id)).fitted.map(({ kit }) => kit)).toEqual(['quernby-p1', 'lowlamp-dial'])

    const stock = await open({ vehicle: id, purpose: 'stock', kits: [{ id: 'quernby-p1' }] })
    const early = await send(stock.id, [
      { id: 'o', kind: 'opened', purpose: 'fit', cameFrom: [], connections: [], mounts: [], routes: [], settings: [] },
    ])
    expect(messages(early)).toMatchObject({ code: 'by-the-yard' })
    const [first] = await journal(stock.id)
    expect(messages(await send(stock.id, [{ id: 'u', kind: 'undo', undoes: first?.id }]))).toMatchObject({
      code: 'by-the-yard',
    })
    await finish(stock)
    const after = await vehicle(id)
    expect(after.fitted.map(({ kit }) => kit)).toEqual(['lowlamp-dial'])
    expect(after.punctures.filter(({ sealed, inUse }) => !sealed && !inUse)).toEqual([])
    expect(after.jobs.map(({ purpose }) => purpose)).toEqual(['fit', 'look', 'fit', 'stock'])

    const shelf = (await app.ask('GET', '/api/shelf')).body as { id: string; kit: { id: string }; missing: string[] }[]
    expect(shelf.map(({ kit }) => kit.id)).toEqual(['quernby-p1'])
    const next = await app.ask('POST', '/api/vehicles', { machine: { id: 'pellick-gorse-430' }, plate: 'SB 78' })
    await open({ vehicle: (next.body as Vehicle).id, kits: [{ id: 'quernby-p1' }], fromShelf: [shelf[0]?.id] })
    expect((await app.ask('GET', '/api/shelf')).body).toEqual([])
    expect(
      messages(await app.ask('POST', '/api/jobs', { vehicle: id, kits: [{ id: 'quernby-p1' }], fromShelf: ['x/y'] })),
    ).toMatchObject({ code: 'not-on-shelf' })
  })

  test('half-finished work is taken over as it is, and comes off', async () => {
    const { id } = (await app.ask('POST', '/api/vehicles', { machine: { id: 'corvane-marlow-29' } })).body as Vehicle
    const fit = await open({ vehicle: id, kits: [{ id: 'thistle-a2' }] })
    const entries = wholeJob(fit.dossiers, 'hook-up')
    const half = entries.slice(0, entries.findLastIndex(({ kind }) => kind === 'connected') - 2)
    expect((await send(fit.id, half)).status).toBe(200)
    const stock = await open({ vehicle: id, purpose: 'stock' })
    await finish(stock)
    const now = await vehicle(id)
    expect(now.fitted).toEqual([])
    expect(now.cuts.every(({ joined }) => joined)).toBe(true)
  })

  test('jobs of one plate and model are gathered; found by plate, owner and model; merged and split', async () => {
    const plate = async (body: object, value: string) => {
      const opened = await open(body)
      await send(opened.id, [{ id: 'p', kind: 'answered', question: 'plate', value, replaces: null }])
      return opened.id
    }
    const rime = { machine: { id: 'pellick-rime-790' }, kit: { id: 'wren-core-48' } }
    const [one, two] = [await plate(rime, 'RX-12'), await plate(rime, 'rx 12')]
    const [a, b] = [(await job(one)).vehicle, (await job(two)).vehicle]
    const found = async (q: string) =>
      ((await app.ask('GET', `/api/vehicles?q=${encodeURIComponent(q)}`)).body as Vehicle[]).map(({ id }) => id)
    expect(await found('rx12')).toEqual(expect.arrayContaining([a]))
    expect(await found('rime')).toEqual(expect.arrayContaining([a, b]))
    expect(await found('hut 9')).toHaveLength(1)
    expect(await found('nothing of the kind')).toEqual([])
    const quads = await found('gorse')
    expect(messages(await app.ask('POST', `/api/vehicles/${a}/merge`, { vehicle: quads[0] }))).toMatchObject({
      code: 'other-machine',
    })
    if (a !== b) {
      const merged = await app.ask('POST', `/api/vehicles/${a}/merge`, { vehicle: b })
      expect((merged.body as Vehicle).jobs.map(({ id }) => id).sort()).toEqual([one, two].sort())
      expect((await vehicle(b)).id).toBe(a)
    }
    expect(messages(await app.ask('POST', `/api/vehicles/${a}/merge`, { vehicle: a }))).toMatchObject({
      code: 'same-vehicle',
    })
    expect(messages(await app.ask('POST', `/api/vehicles/${a}/split`, { jobs: [one, two] }))).toMatchObject({
      code: 'all-jobs',
    })
    const split = await app.ask('POST', `/api/vehicles/${a}/split`, { jobs: [two] })
    expect(split.status).toBe(201)
    expect((split.body as Vehicle).jobs.map(({ id }) => id)).toEqual([two])
    expect((await vehicle(a)).jobs.map(({ id }) => id)).toEqual([one])
  })

  test('another model or version than it was filed with is refused, and so is what is not there', async () => {
    const { id } = (await app.ask('POST', '/api/vehicles', { machine: { id: 'pellick-gorse-430' } })).body as Vehicle
    const asked = { vehicle: id, kits: [{ id: 'quernby-p1' }] }
    const other = await app.ask('POST', '/api/jobs', { ...asked, machine: { id: 'pellick-skua-960' } })
    expect(messages(other)).toMatchObject({ code: 'other-machine' })
    expect((await app.ask('GET', '/api/vehicles/ghost')).status).toBe(404)
    expect((await app.ask('POST', '/api/jobs', { ...asked, vehicle: 'ghost' })).status).toBe(404)
    expect((await app.ask('POST', '/api/vehicles', { machine: { id: 'ghost' } })).status).toBe(422)
  })
})
