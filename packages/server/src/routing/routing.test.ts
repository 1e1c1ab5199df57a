import { asId } from '@tidy-badger/core/shared'
import type { PointId } from '@tidy-badger/core/dossiers'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

interface Answer {
  places: {
    place: { id: string }
    rank: number
    feasible: boolean
    lost: string
    branches: { tag: string; reach: string; needM: number; suppliedM: number; spareM: number; route: unknown[] }[]
  }[]
  exact: boolean
}
const ids = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
const plan = (body: unknown) => app.ask('POST', '/api/routing/plan', body)
const problem = (body: unknown) => (body as { code: string; path: string; message: string }[])[0]

describe('POST /api/routing/plan', () => {
  test('ranked places with routes and lengths, by reference', async () => {
    const answer = await plan(ids)
    expect(answer.status).toBe(200)
    const { places, exact } = answer.body as Answer
    expect(exact).toBe(true)
    expect(places.map((place) => place.rank)).toEqual([1, 2, 3])
    expect(places[0].branches.length).toBeGreaterThan(4)
    for (const branch of places[0].branches) {
      expect(branch.spareM).toBeCloseTo(branch.suppliedM - branch.needM, 4)
      if (branch.needM > 0.1) expect(branch.route.length).toBeGreaterThan(0)
    }
    expect(places[2].lost).not.toBe('')
  })

  test('whole documents, one place, a variant', async () => {
    const whole = await plan({
      machine: shippedMachine('pellick-skua-960'),
      kit: shippedKit('quernby-learner'),
      placeId: 'hood-shelf',
    })
    expect(whole.status).toBe(200)
    const [place] = (whole.body as Answer).places
    expect(place).toMatchObject({ place: { id: 'hood-shelf' }, feasible: false })
    expect(place.branches.find((branch) => branch.tag === 'W1–W5')?.reach).toBe('never')
    const variant = shippedMachine('pellick-gorse-430').variants[0].id
    expect((await plan({ ...ids, machine: { ...ids.machine, variant } })).status).toBe(200)
  })

  test.each([
    [{ ...ids, placeId: 'roof' }, 422, 'placeId', 'no place for a module'],
    [{ ...ids, school: 'anywhere' }, 400, 'school', ''],
    [{ kit: ids.kit }, 400, 'machine', ''],
    [{ ...ids, machine: { id: 'nothing' } }, 422, 'machine', ''],
  ])('%j is refused by path', async (body, status, path, says) => {
    const answer = await plan(body)
    expect(answer.status).toBe(status)
    expect(problem(answer.body).path).toContain(path)
    expect(problem(answer.body).message).toContain(says)
  })

  test('zones apart, lengths that are none, a loom without a branch: named, never a NaN', async () => {
    const machine = shippedMachine('pellick-gorse-430')
    const kit = shippedKit('quernby-p1')
    const apart = await plan({
      machine: {
        ...machine,
        passages: machine.passages?.filter(
          (passage) => ![passage.from, passage.to].includes(asId<PointId>('coil-rail')),
        ),
      },
      kit,
    })
    expect(apart.status).toBe(422)
    expect(problem(apart.body)).toMatchObject({ code: 'no-way', path: 'machine.passages' })
    const [first, ...rest] = machine.passages ?? []
    const zero = await plan({ machine: { ...machine, passages: [{ ...first, lengthM: -1 }, ...rest] }, kit })
    expect(zero.status).toBe(400)
    expect(problem(zero.body).path).toContain('passages.0.lengthM')
    const bare = await plan({ machine, kit: { ...kit, ends: kit.ends.map((end) => ({ ...end, branchM: 0 })) } })
    expect(problem(bare.body).message).toContain('has no branch for')
    expect(JSON.stringify([apart.body, zero.body, bare.body])).not.toContain('NaN')
  })
})

test('drawing, sheet and template of a job', async () => {
  const made = await app.ask('POST', '/api/jobs', { title: 'Loom', ...ids })
  expect(made.status).toBe(201)
  const { id } = made.body as { id: string }
  const svg = await app.server.inject(`/api/jobs/${id}/route.svg`)
  expect(svg.headers['content-type']).toContain('image/svg+xml')
  expect(svg.body.startsWith('<svg')).toBe(true)
  for (const tag of ['A', 'B', 'C', 'G']) expect(svg.body).toContain(`>${tag}`)
  expect(svg.body).not.toContain('NaN')
  for (const file of ['route.pdf', 'template.pdf']) {
    const pdf = await app.server.inject(`/api/jobs/${id}/${file}`)
    expect(pdf.headers['content-type']).toContain('application/pdf')
    expect(pdf.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
  }
})
