import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { shippedDossiers } from '@tidy-badger/core/dossiers/shipped'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const ask = (query: string) => app.ask('GET', `/api/library/${query}`)

describe('the library', () => {
  test('finds wires of every machine, ends of every kit', async () => {
    const { status, body } = await ask('search?q=grey%2Fviolet%20throttle')
    const [found, ...others] = body as { id: string; hits: { what: string; cavity: number }[] }[]
    // The other one has such a wire too, in a plug before its throttle body.
    expect([status, found?.id, others.map(({ id }) => id)]).toEqual([200, 'pellick-gorse-430', ['corvane-tiller-14']])
    expect(found?.hits[0]).toMatchObject({ what: 'wire', cavity: 2 })
    const rings = (await ask('search?q=ground%20ring')).body as { kind: string }[]
    expect(rings.map(({ kind }) => kind)).toContain('kit')
    expect((await ask('search?q=unobtainium')).body).toEqual([])
  })

  test('a machine published in its next version is found in that alone', async () => {
    const before = (await ask('search?q=gorse')).body as { version: number }[]
    const { document } = (await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')).body as {
      document: { version: number; zones: object[] }
    }
    const next = { ...document, version: document.version + 1, years: '2016 to 2024' }
    expect((await app.ask('POST', '/api/dossiers', next)).status).toBe(201)
    const after = (await ask('search?q=gorse')).body as { version: number; hits: { says: string }[] }[]
    expect([before.length, after.length, after[0]?.version]).toEqual([1, 1, next.version])
    expect(after[0]?.hits[0]?.says).toContain('2016 to 2024')
  })

  test('a plug in the hand', async () => {
    const { status, body } = await ask('plugs?cavities=3&colour=black&key=two%20ribs')
    expect([status, body]).toMatchObject([200, expect.arrayContaining([expect.objectContaining({ differs: [] })])])
  })

  test('what fits, the kits of its own sheet first', async () => {
    const { body } = await ask('fits?machine=pellick-gorse-430')
    const fits = body as { id: string; declared: boolean; missing: string[] }[]
    expect(fits[0]).toMatchObject({ kind: 'kit', id: 'quernby-p1', declared: true, missing: [] })
    expect(fits.length).toBe(shippedDossiers.filter((one) => (one as { kind: string }).kind === 'kit').length)
    const kit = (await ask('fits?kit=lowlamp-dial')).body as { kind: string; declared: boolean }[]
    expect(kit[0]).toMatchObject({ kind: 'machine', declared: true })
  })

  test.each([
    ['search', 400],
    ['search?q=', 400],
    ['search?q=x&limit=0', 400],
    [`search?q=${'x'.repeat(300)}`, 400],
    ['search?q=%00', 400],
    ['plugs?cavities=0', 400],
    ['plugs?cavities=three', 400],
    ['plugs?cavities=3&colour=tartan', 400],
    ['fits', 400],
    ['fits?machine=a&kit=b', 400],
    ['fits?machine=ghost', 404],
    ['fits?kit=..%2F..%2Fetc', 404],
  ])('%s: %i', async (query, status) => {
    expect((await ask(query)).status).toBe(status)
  })
})
