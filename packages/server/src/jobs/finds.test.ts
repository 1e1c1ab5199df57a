import type { Kit, Known, Machine } from '@tidy-badger/core/dossiers'
import { withKnown } from '@tidy-badger/core/dossier-writing'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const kit = { id: 'quernby-p1' }
async function newJob(machine: unknown = { id: 'pellick-gorse-430' }, fitted: unknown = kit): Promise<string> {
  const { status, body } = await app.ask('POST', '/api/jobs', { machine, kit: fitted })
  expect(status).toBe(201)
  return (body as { id: string }).id
}
const append = (job: string, ...entries: object[]) => app.ask('POST', `/api/jobs/${job}/journal`, { entries })
const find = (id: string, more: object = {}) => ({
  ...{ id, by: 'Rieke', at: '2026-05-12T09:00:00+02:00', kind: 'found-otherwise' },
  ...{ of: 'covers', thing: 'seat', field: 'fasteners', was: '', is: '3 bolts M8x20 hex 13' },
  ...more,
})
async function drafts(of: string): Promise<{ id: string; revision: number; savedBy: string; document: Machine }[]> {
  const rows = (await app.ask('GET', '/api/drafts')).body as { id: string; of: { id: string } | null }[]
  return Promise.all(
    rows
      .filter((row) => row.of?.id === of)
      .map(async ({ id }) => (await app.ask('GET', `/api/drafts/${id}`)).body as never),
  )
}
const seatOf = (document: Machine) => document.covers?.find(({ id }) => id === 'seat')?.fasteners

describe('what a job finds otherwise', () => {
  test('goes into one draft of its machine, measured by whom and when; taken back it comes out, brought back it goes in', async () => {
    const job = await newJob()
    expect((await append(job, find('f1'))).status).toBe(200)
    const [draft] = await drafts('pellick-gorse-430')
    expect(draft).toMatchObject({ id: 'finds-pellick-gorse-430', savedBy: 'Rieke', revision: 1 })
    expect(seatOf(draft.document)).toMatchObject([{ count: 3, kind: 'screw' }])
    expect(draft.document.known).toEqual([
      { of: 'covers', id: 'seat', how: 'measured', who: 'Rieke', on: '2026-05-12' },
    ])
    expect(draft.document.version).toBe(5)
    // The same entry again teaches nothing anew.
    await append(job, find('f1'))
    expect(await drafts('pellick-gorse-430')).toMatchObject([{ revision: 1 }])
    const other = await newJob()
    await append(other, find('f2', { thing: 'seat', field: 'how', was: '', is: 'Pull the latch, lift the rear.' }))
    expect(await drafts('pellick-gorse-430')).toMatchObject([{ revision: 2 }])
    const was = JSON.stringify(seatOf(draft.document))
    await append(job, { id: 'u1', kind: 'undo', undoes: 'f1' })
    const [undone] = await drafts('pellick-gorse-430')
    expect(JSON.stringify(seatOf(undone.document))).not.toBe(was)
    expect(undone.document.covers?.find(({ id }) => id === 'seat')?.how).toBe('Pull the latch, lift the rear.')
    await append(job, { id: 'u2', kind: 'undo', undoes: 'u1' })
    expect(JSON.stringify(seatOf((await drafts('pellick-gorse-430'))[0].document))).toBe(was)
    const published = await app.ask('POST', '/api/dossiers', (await drafts('pellick-gorse-430'))[0].document)
    expect(published.status).toBe(201)
  })

  test.each([
    ['of nothing', { thing: 'nothing' }, 422, 'thing', '"nothing" is no thing'],
    ['in no field', { field: 'after' }, 422, 'field', '"after" is no field'],
    ['that is the same', { was: '3 bolts M8x20 hex 13' }, 422, 'is', 'says already'],
    ['that does not read', { is: 'some of them' }, 422, 'is', ''],
    ['of another list', { of: 'steps' }, 400, 'of', ''],
    ['as a wire of no colour', { of: 'wires', thing: 'w1', field: 'colour', is: 'tartan' }, 422, 'is', 'tartan'],
  ])('%s is refused, and nothing is taught', async (_, more, status, path, says) => {
    const job = await newJob({ id: 'pellick-rime-790' })
    const machine = (await app.ask('GET', '/api/dossiers/machine/pellick-rime-790')).body as { document: Machine }
    const given = { ...find('x'), ...more }
    const thing = given.thing === 'w1' ? machine.document.wires[0].id : given.thing
    const cover = machine.document.covers?.[0].id
    const answer = await append(job, { ...given, thing: thing === 'seat' ? cover : thing })
    expect(answer.status).toBe(status)
    const problems = answer.body as { path: string; message: string }[]
    const said = problems.find((problem) => problem.path.endsWith(path))
    expect(said?.message, JSON.stringify(problems)).toContain(says)
    expect(await drafts('pellick-rime-790')).toEqual([])
  })

  test('on a machine that is only the job’s own begins its first version', async () => {
    const { document } = (await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')).body as { document: Machine }
    const job = await newJob({ ...document, id: 'yard-quad', version: 3 })
    await append(job, find('own'))
    expect(await drafts('yard-quad')).toMatchObject([{ id: 'finds-yard-quad', document: { version: 1 } }])
  })
})

describe('a guess of the dossier', () => {
  test('is noted where an end goes by it, and a reading makes it measured or wrong', async () => {
    const { document } = (await app.ask('GET', '/api/dossiers/machine/corvane-marlow-29')).body as { document: Machine }
    const guessed = document.nets.reduce((now: Machine, { id }) => withKnown(now, 'nets', id, 'guess'), {
      ...document,
      id: 'guessed-truck' as Machine['id'],
      version: 1,
    })
    expect((await app.ask('POST', '/api/dossiers', guessed)).status).toBe(201)
    const { document: box } = (await app.ask('GET', '/api/dossiers/kit/thistle-a2')).body as { document: Kit }
    const fitted = { ...box, id: 'any-box', version: 1, fits: [] }
    const job = await newJob({ id: 'guessed-truck' }, fitted)
    const { cards } = (await app.ask('GET', `/api/jobs/${job}/meter`)).body as {
      cards: { id: string; unit: string; low: number; high: number }[]
    }
    const card = (id: string) => {
      const found = cards.find((one) => one.id === id)
      if (!found) throw new Error(`no card ${id}: ${cards.map((one) => one.id).join()}`)
      return found
    }
    const [good, off] = [card('throttle.find.ecu-a-26.key-on.v'), card('reference.find.ecu-a-5.key-on.v')]
    const read = (id: string, { id: of, unit }: { id: string; unit: string }, value: number) => ({
      ...{ id, kind: 'reading', quantity: 'volts', value, unit, card: of },
      ...{ by: 'Ines', at: '2026-05-13T10:00:00Z' },
    })
    await append(job, read('r1', good, (good.low + good.high) / 2), read('r2', off, off.high + 40))
    const [{ document: taught }] = await drafts('guessed-truck')
    const how = (cavity: number): Known | undefined => {
      const wire = taught.wires.find(({ from, to }) =>
        [from, to].some((end) => 'connector' in end && end.connector === 'ecu-a' && end.cavity === cavity),
      )
      return taught.known?.find(({ of, id }) => of === 'nets' && id === wire?.net)
    }
    expect(how(26)).toMatchObject({ how: 'measured', who: 'Ines', on: '2026-05-13' })
    expect(how(5)).toMatchObject({ how: 'wrong' })
    expect(how(5)?.says).toContain(`key on: ${off.high + 40} V instead of`)
    expect(how(7)).toMatchObject({ how: 'guess' })
  })
})
