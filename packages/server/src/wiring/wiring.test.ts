import { readJobFile } from '@tidy-badger/core/jobs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
const saloon = { machine: { id: 'corvane-marlow-29' }, kit: { id: 'thistle-a2' } }
async function newJob(pair: object = quad): Promise<string> {
  const { body } = await app.ask('POST', '/api/jobs', pair)
  return (body as { id: string }).id
}
type Found = { rule: string; severity: string; at: object; reason: string; remedy: string }

describe('the check without a job', () => {
  const check = (connections: object[], more: object = quad) =>
    app.ask('POST', '/api/wiring/check', { ...more, connections })

  test('a pair mated to itself', async () => {
    const { status, body } = await check([{ kitEnd: 'injector', to: { kitEnd: 'injector' } }])
    expect(status).toBe(200)
    const [first] = (body as { findings: Found[] }).findings
    expect(first).toEqual({
      rule: 'pair-to-itself',
      severity: 'stop',
      at: { kitEnd: 'injector' },
      facts: { end: expect.any(String) },
      reason: expect.stringContaining('bypassed'),
      remedy: expect.stringContaining('Part the two halves'),
    })
  })

  test('whole documents are taken as well as references', async () => {
    const machine = ((await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')).body as { document: object })
      .document
    const { status } = await check([], { ...quad, machine })
    expect(status).toBe(200)
  })

  test.each([
    [[{ kitEnd: 'ghost', to: { stud: 'engine-strap' } }], 422, 'connections.0.kitEnd', '"ghost" is no end'],
    [[{ kitEnd: 'ground', to: { stud: 'ghost' } }], 422, 'connections.0.to.stud', 'no stud of the Gorse 430'],
    [[{ kitEnd: 'throttle', to: { connector: 'throttle', cavity: 9 } }], 422, 'connections.0.to.cavity', 'no cavity 9'],
    [[{ kitEnd: 'coil', to: { connector: 'ghost' } }], 422, 'connections.0.to.connector', 'no plug'],
    [[{ kitEnd: 'coil', to: { kitEnd: 'ghost' } }], 422, 'connections.0.to.kitEnd', 'no end or socket'],
    [[{ kitEnd: 'coil' }], 400, 'connections.0.to', 'connections.0.to'],
    [[{ kitEnd: 'coil', to: { connector: 'coil' }, colour: 1 }], 400, 'connections.0', 'nobody reads'],
  ])('%j is refused', async (connections, status, path, sentence) => {
    const answer = await check(connections)
    expect(answer.status).toBe(status)
    const [problem] = answer.body as { path: string; message: string }[]
    expect(problem.path).toBe(path)
    expect(problem.message).toContain(sentence)
  })

  test('a document that contradicts itself is refused with path and sentence', async () => {
    const { body } = await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')
    const machine = structuredClone((body as { document: { wires: object[] } }).document)
    machine.wires.push({ ...machine.wires[6], id: 'again' })
    const answer = await check([], { ...quad, machine })
    expect(answer.status).toBe(400)
    expect(answer.body).toEqual([
      expect.objectContaining({ code: 'cavity-taken', path: expect.stringMatching(/^machine\.wires\.\d+\.to$/) }),
      expect.anything(),
    ])
  })

  test('a file of 5,000 circuits is refused, and says how many are allowed', async () => {
    const { body } = await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')
    const machine = structuredClone((body as { document: { nets: { id: string }[] } }).document)
    machine.nets = Array.from({ length: 5000 }, (_, i) => ({ ...machine.nets[0], id: `n${i}` }))
    const answer = await app.ask('POST', '/api/dossiers', machine)
    expect(answer.status).toBe(400)
    expect((answer.body as { path: string; message: string }[])[0]).toMatchObject({
      path: 'nets',
      message: '"nets" is too large: at most 600 is allowed.',
    })
  })
})

describe("a job's wiring", () => {
  test('connections, matches, findings and traces, before and after a connection', async () => {
    const id = await newJob()
    const before = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as Record<string, unknown>
    expect(Object.keys(before).sort()).toEqual(['connections', 'findings', 'matches', 'traces'])
    expect(before.connections).toEqual([])
    await app.ask('POST', `/api/jobs/${id}/journal`, {
      entries: [
        { id: 'w1', kind: 'connected', kitEnd: 'injector', to: { connector: 'injector', side: 'factory' } },
        { id: 'w2', kind: 'tugged', kitEnd: 'injector' },
      ],
    })
    const after = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as {
      connections: object[]
      findings: Found[]
      traces: {
        planned: { net: string; module: string; ways: { whole: boolean }[] }[]
        asBuilt: { net: string; ways: { whole: boolean }[] }[]
      }
    }
    expect(after.connections).toEqual([
      { kitEnd: 'injector', to: { connector: 'injector', side: 'factory' }, tugged: true },
    ])
    expect(after.findings.map((finding) => finding.rule)).toContain('pair-one-side')
    const planned = after.traces.planned.find((trace) => trace.net === 'inj')
    expect(planned).toMatchObject({ module: 'changes it', ways: [{ whole: true }] })
    expect(after.traces.asBuilt.find((trace) => trace.net === 'inj')).toMatchObject({ ways: [{ whole: false }] })
    const check = await app.ask('POST', '/api/wiring/check', { ...quad, connections: after.connections })
    expect((check.body as { findings: Found[] }).findings).toEqual(after.findings)
  })

  test('a circuit as a tree from its source, as planned and as built', async () => {
    const id = await newJob(saloon)
    type Node = { kind: string; words: string; colour?: object; children: Node[] }
    const ask = (query: string) => app.ask('GET', `/api/jobs/${id}/trace${query}`)
    const kinds = ({ kind, children }: Node): string[] => [kind, ...children.flatMap(kinds)]
    const planned = await ask('?net=maf&as=plan')
    expect(planned.status).toBe(200)
    const { tree, source, apart } = planned.body as { tree: Node; source: string; apart: Node[] }
    expect(source).toBe(tree.words)
    expect(kinds(tree)).toEqual(['control unit', 'plug', 'cut', 'cut', 'wire', 'plug', 'device'])
    expect(apart).toEqual([])
    const built = (await ask('?net=maf&as=built')).body as { tree: Node; module: string }
    expect(kinds(built.tree)).toEqual(['control unit', 'plug', 'wire', 'plug', 'device'])
    expect(built.module).toBe('nothing')
    expect((await ask('')).status).toBe(200)
    expect((await ask('?net=ghost')).status).toBe(404)
    expect((await ask('?as=dreamt')).status).toBe(400)
  })

  test('what is measured: ranges, what the circuit gives as planned and as joined, what reads alike', async () => {
    const id = await newJob({ machine: { id: 'hallam-voss-shieling-21' }, kit: { id: 'thistle-d3' } })
    const join = { kind: 'connected', kitEnd: 'rail', to: { connector: 'rail', side: 'factory' } }
    await app.ask('POST', `/api/jobs/${id}/journal`, { entries: [{ ...join, id: 'one-side' }] })
    const { status, body } = await app.ask('GET', `/api/jobs/${id}/meter`)
    expect(status).toBe(200)
    const { cards } = body as { cards: (Record<string, unknown> & { red: object; low: number; high: number })[] }
    expect(new Set(cards.map((card) => card.id)).size).toBe(cards.length)
    const rail = cards.find((card) => card.id === 'rail.prove.rail-2.key-on.v')
    expect(rail).toMatchObject({ quantity: 'voltage', red: { connector: 'rail', cavity: 2 }, barred: null })
    expect(Number(rail?.planned)).toBeGreaterThanOrEqual(rail?.low ?? NaN)
    expect(Number(rail?.planned)).toBeLessThanOrEqual(rail?.high ?? NaN)
    expect(Math.abs(Number(rail?.built))).toBeLessThan(0.1)
    expect(cards.some((card) => (card.alike as { says: string }[]).some(({ says }) => says.includes('too')))).toBe(true)
    const quadId = await newJob()
    const quadCards = (await app.ask('GET', `/api/jobs/${quadId}/meter`)).body as { cards: typeof cards }
    const barred = quadCards.cards.filter((card) => card.barred !== null)
    expect(barred.length).toBeGreaterThan(0)
    for (const card of barred) expect(card).toMatchObject({ low: null, high: null, planned: null, alike: [] })
    expect((await app.ask('GET', '/api/jobs/none/meter')).status).toBe(404)
  })

  test('a decision is an entry of its own form; what breaks it is said with its place', async () => {
    const id = await newJob()
    const send = async (entry: object) => {
      const answer = await app.ask('POST', `/api/jobs/${id}/journal`, { entries: [{ id: 'p', ...entry }] })
      return { status: answer.status, problem: (answer.body as { path: string; message: string }[])[0] }
    }
    const place = { kind: 'place-chosen', kitEnd: 'ground', value: { stud: 'frame-cluster' }, replaces: null }
    expect(await send({ ...place, kitEnd: 'moon' })).toMatchObject({
      status: 422,
      problem: { path: 'entries.0.kitEnd', message: expect.stringContaining('"moon" is no end') },
    })
    expect(await send({ kind: 'people-chosen', value: 3, replaces: null })).toMatchObject({
      status: 400,
      problem: { path: expect.stringContaining('entries.0.value') },
    })
    expect(await send({ kind: 'note' })).toMatchObject({ status: 400, problem: { path: 'entries.0.text' } })
    expect((await send(place)).status).toBe(200)
    const { entries } = (await app.ask('GET', `/api/jobs/${id}/journal`)).body as { entries: object[] }
    expect(entries).toMatchObject([{ ...place, v: 3 }])
  })

  test('a choice of place in its older form moves the plan, and only the next word may change it', async () => {
    const id = await newJob()
    const choose = (entry: string, value: string, replaces: string | null) =>
      app.ask('POST', `/api/jobs/${id}/journal`, {
        entries: [{ id: entry, kind: 'choice', choice: 'place.ground', value, replaces }],
      })
    expect((await choose('c1', 'stud/frame-cluster', null)).status).toBe(200)
    const { matches } = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as {
      matches: { kitEnd: string; target: object; locked: boolean }[]
    }
    expect(matches.find((match) => match.kitEnd === 'ground')).toMatchObject({
      target: { stud: 'frame-cluster' },
      locked: true,
    })
    expect((await choose('c2', 'stud/battery-negative', null)).status).toBe(409)
    expect((await choose('c3', 'stud/ghost', 'stud/frame-cluster')).status).toBe(422)
    const unread = await choose('c5', 'nonsense', 'stud/frame-cluster')
    expect(unread).toMatchObject({ status: 422, body: [{ path: 'entries.0.choice' }] })
    expect((await choose('c4', 'as proposed', 'stud/frame-cluster')).status).toBe(200)
  })

  test('as one drawing, as CSV, as a plug face, as labels', async () => {
    const id = await newJob(saloon)
    const get = async (url: string) => {
      const response = await app.server.inject(url)
      return { status: response.statusCode, type: response.headers['content-type'], body: response.body }
    }
    const drawing = await get(`/api/jobs/${id}/wiring.svg`)
    expect(drawing.type).toContain('image/svg+xml')
    expect(drawing.body).toContain('Airflow lead, plain white: ECU plug A')
    const csv = await get('/api/machines/corvane-marlow-29/pinout.csv?connector=airflow')
    expect(csv.body.split('\n')[3]).toBe('Airflow meter plug,3,white,Airflow signal,0.35,analogue-0-5,maf')
    const wireSide = await get('/api/machines/corvane-marlow-29/pinout.svg?connector=airflow&side=wire')
    const matingSide = await get('/api/machines/corvane-marlow-29/pinout.svg?connector=airflow&side=mating')
    expect(wireSide.body).toContain('seen from the wire side')
    expect(matingSide.body).toContain('seen from the mating side')
    expect((await get('/api/machines/corvane-marlow-29/pinout.svg?connector=ghost')).status).toBe(404)
    for (const form of ['sheet', 'strip']) {
      const labels = await app.server.inject(`/api/jobs/${id}/labels.pdf?form=${form}`)
      expect(labels.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
    }
    const paper = await app.server.inject(`/api/jobs/${id}/handback.pdf`)
    expect(paper.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
  })
})

describe('a machine, drawn', () => {
  const drawing = (query: string) => app.server.inject(`/api/machines/corvane-marlow-29/drawing.svg?${query}`)

  test('from every side and in every ink; what is drawn as before is not sent again', async () => {
    const published = await app.server.inject('/api/dossiers/machine/corvane-marlow-29')
    const marlow = published.json<{ document: { version: number } }>().document.version
    const bodies = new Set<string>()
    for (const from of ['side', 'top', 'right', 'below', 'inside'])
      for (const ink of ['day', 'night', 'paper', 'grey']) {
        const response = await drawing(`version=${marlow}&from=${from}&ink=${ink}`)
        expect(response.headers['content-type']).toContain('image/svg+xml')
        bodies.add(response.body)
      }
    expect(bodies.size).toBe(20)
    const { etag } = (await drawing('')).headers
    const again = await app.server.inject({
      url: '/api/machines/corvane-marlow-29/drawing.svg',
      headers: { 'if-none-match': String(etag) },
    })
    expect([again.statusCode, again.body]).toEqual([304, ''])
    const grey = await drawing('ink=grey')
    const colours = grey.body.match(/#[0-9a-f]{6}/g) ?? []
    expect(colours.length).toBeGreaterThan(20)
    for (const colour of colours) expect(colour).toMatch(/^#([0-9a-f]{2})\1\1$/)
  })

  test('what is asked wrongly is said, nothing is drawn', async () => {
    for (const query of ['from=within', 'ink=gold', 'px=3', 'px=90000', 'version=0']) {
      const response = await drawing(query)
      expect([query, response.statusCode]).toEqual([query, 400])
    }
    expect((await app.server.inject('/api/machines/ghost/drawing.svg')).statusCode).toBe(422)
    const cabin = await app.server.inject('/api/machines/ostrel-pika-449/drawing.svg?from=inside')
    expect([cabin.statusCode, cabin.body]).toEqual([422, expect.stringContaining('no cabin to be seen from inside')])
  })
})

describe('errata', () => {
  const erratum = {
    id: 'e1',
    kit: 'quernby-p4-twin',
    machine: 'tarnbrook-saddler-880',
    kitEnd: 'neutral',
    says: 'violet/grey',
    is: 'it is grey with a violet stripe',
    by: 'Tomas',
  }

  test('written down once, shown on every later job with that kit and machine, and on no other', async () => {
    expect((await app.ask('POST', '/api/errata', erratum)).status).toBe(201)
    expect((await app.ask('POST', '/api/errata', erratum)).status).toBe(201)
    const { body } = await app.ask('GET', '/api/errata?kit=quernby-p4-twin')
    expect(body).toHaveLength(1)
    const id = await newJob({ machine: { id: 'tarnbrook-saddler-880' }, kit: { id: 'quernby-p4-twin' } })
    const { findings } = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as { findings: Found[] }
    expect(findings.find((finding) => finding.rule === 'sheet-erratum')?.reason).toContain('Tomas')
    const other = await newJob()
    const elsewhere = (await app.ask('GET', `/api/jobs/${other}/wiring`)).body as { findings: Found[] }
    expect(elsewhere.findings.map((finding) => finding.rule)).not.toContain('sheet-erratum')
  })

  test.each([
    [{ ...erratum, id: 'e2', kitEnd: 'ghost' }, 422, 'kitEnd'],
    [{ ...erratum, id: 'e3', kit: 'ghost' }, 422, 'kit.id'],
    [{ ...erratum, id: 'e4', by: '' }, 400, 'by'],
    [{ ...erratum, id: 'e1', says: 'something else' }, 409, 'id'],
  ])('%j is refused', async (body, status, path) => {
    const answer = await app.ask('POST', '/api/errata', body)
    expect(answer.status).toBe(status)
    expect((answer.body as { path: string }[])[0].path).toBe(path)
  })
})

describe('making a dossier', () => {
  const document = async () =>
    structuredClone(
      ((await app.ask('GET', '/api/dossiers/machine/ostrel-pika-449')).body as { document: Record<string, unknown> })
        .document,
    )

  test('a draft is saved in any state, and comes back as it was', async () => {
    const half = { kind: 'machine', model: 'half a bike', wires: 'later' }
    expect((await app.ask('PUT', '/api/drafts/d1', half)).status).toBe(200)
    expect((await app.ask('GET', '/api/drafts/d1')).body).toMatchObject({ document: half })
    expect((await app.ask('GET', '/api/drafts')).body).toEqual([
      expect.objectContaining({ id: 'd1', name: 'half a bike' }),
    ])
    expect((await app.server.inject({ method: 'DELETE', url: '/api/drafts/d1' })).statusCode).toBe(204)
    expect((await app.ask('GET', '/api/drafts/d1')).status).toBe(404)
  })

  test('a version is published once, the next must follow, and jobs keep theirs', async () => {
    const id = await newJob({ machine: { id: 'ostrel-pika-449' }, kit: { id: 'wren-core-34' } })
    const shipped = await document()
    const version = Number(shipped.version)
    const next = { ...shipped, version: version + 1, years: '2018 to 2024' }
    expect((await app.ask('POST', '/api/dossiers', next)).status).toBe(201)
    expect((await app.ask('POST', '/api/dossiers', next)).status).toBe(201)
    const again = await app.ask('POST', '/api/dossiers', { ...next, years: 'other' })
    expect(again.status).toBe(409)
    expect((again.body as { message: string }[])[0].message).toContain(`is ${version + 2}, not ${version + 1}`)
    expect((await app.ask('GET', `/api/jobs/${id}`)).body).toMatchObject({ machine: { version } })
    const later = await newJob({ machine: { id: 'ostrel-pika-449' }, kit: { id: 'wren-core-34' } })
    expect((await app.ask('GET', `/api/jobs/${later}`)).body).toMatchObject({ machine: { version: version + 1 } })
  })

  test('a draft machine is used with its gaps as findings, and goes with the exported job', async () => {
    const machine: Record<string, unknown> = {
      ...(await document()),
      id: 'hut-bike',
      version: 1,
      draft: true,
      variants: [],
    }
    const nets = machine.nets as { signal: string; role: string }[]
    Object.assign(nets[0], { signal: 'unknown', role: 'unknown' })
    const id = await newJob({ machine, kit: { id: 'wren-core-34' } })
    const { findings } = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as { findings: Found[] }
    expect(findings.map((finding) => finding.rule)).toEqual(expect.arrayContaining(['dossier-gap', 'wrong-machine']))
    const file = (await app.ask('GET', `/api/jobs/${id}/export`)).body
    expect(readJobFile(file)).toMatchObject({ ok: true })
  })
})
