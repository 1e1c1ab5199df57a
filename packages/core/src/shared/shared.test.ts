import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { contentHash, problemsOfZod, seededRandom, sha256Hex } from './index.ts'

describe('content hash', () => {
  test('does not depend on the order of keys, but on every value', () => {
    expect(contentHash({ a: 1, b: [1, 2] })).toBe(contentHash({ b: [1, 2], a: 1 }))
    expect(contentHash({ a: 1, b: [1, 2] })).not.toBe(contentHash({ a: 1, b: [2, 1] }))
    expect(() => contentHash(undefined)).toThrow('only a JSON value')
  })

  test('is SHA-256', () => {
    expect(sha256Hex(new TextEncoder().encode('abc'))).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    )
  })
})

describe('seeded chance', () => {
  test('repeats by seed, is uniform and normal enough', () => {
    const draw = (seed: number) => {
      const random = seededRandom(seed)
      return Array.from({ length: 20_000 }, () => [random.uniform(), random.normal(), random.between(5, 7)])
    }
    const rows = draw(3)
    expect(rows).toEqual(draw(3))
    expect(rows[0]).not.toEqual(draw(4)[0])
    const mean = (column: number) => rows.reduce((sum, row) => sum + row[column], 0) / rows.length
    expect(mean(0)).toBeCloseTo(0.5, 1)
    expect(mean(1)).toBeCloseTo(0, 1)
    expect(rows.reduce((sum, row) => sum + row[1] ** 2, 0) / rows.length).toBeCloseTo(1, 1)
    for (const row of rows) expect(row[0] >= 0 && row[0] < 1 && row[2] >= 5 && row[2] < 7).toBe(true)
  })
})

describe('sentences about broken documents', () => {
  const schema = z.strictObject({
    name: z.string(),
    size: z.number().min(2).max(9),
    kind: z.enum(['a', 'b']),
    list: z.array(z.strictObject({ x: z.number() })),
    place: z.union([
      z.strictObject({ stud: z.string() }),
      z.strictObject({ plug: z.strictObject({ cavity: z.number() }) }),
    ]),
  })
  const good = { name: 'n', size: 3, kind: 'a', list: [], place: { stud: 's' } }
  const said = (change: object, under = '') => {
    const parsed = schema.safeParse({ ...good, ...change })
    return parsed.success
      ? []
      : problemsOfZod(parsed.error, under).map((problem) => `${problem.path}: ${problem.message}`)
  }

  test.each([
    [{ name: undefined }, 'name: "name" is missing: it must be a string.'],
    [{ name: 5 }, 'name: "name" must be a string.'],
    [{ size: 1 }, 'size: "size" is too small: at least 2 is needed.'],
    [{ size: 10 }, 'size: "size" is too large: at most 9 is allowed.'],
    [{ kind: 'z' }, 'kind: "kind" must be one of a, b.'],
    [{ list: [{ x: 1 }, { x: 'y' }] }, 'list.1.x: "list.1.x" must be a number.'],
    [{ extra: 1 }, ': The document has a field that nobody reads: extra. Remove or rename.'],
    [{ place: { plug: { cavity: 'one' } } }, 'place.plug.cavity: "place.plug.cavity" must be a number.'],
  ])('%o', (change, sentence) => {
    expect(said(change)).toContain(sentence)
  })

  test('paths stand under the place of the document', () => {
    expect(said({ name: 5 }, 'machine')).toEqual(['machine.name: "machine.name" must be a string.'])
  })
})
