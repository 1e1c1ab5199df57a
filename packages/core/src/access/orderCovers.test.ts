import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fewestChanges, handAfter, orderCovers, type OrderProblem } from './orderCovers.ts'

/** Every order that the precedence allows, walked without any bound. */
function everyOrder({ before, tools }: OrderProblem): number {
  let best = Infinity
  const go = (done: Set<number>, hand: string, changes: number): void => {
    if (done.size === before.length) best = Math.min(best, changes)
    for (let i = 0; i < before.length; i++) {
      if (done.has(i) || before[i].some((first) => !done.has(first))) continue
      for (const { tool, taken } of handAfter(tools[i], hand)) go(new Set([...done, i]), tool, changes + taken)
    }
  }
  go(new Set(), '', 0)
  return best
}

const flat = (before: number[][], tools: string[][]): OrderProblem => ({ before, tools, walkCm: () => 0 })
const toolSets = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 3 })
const small = fc
  .array(fc.tuple(toolSets, fc.array(fc.nat({ max: 5 }), { maxLength: 2 })), { minLength: 1, maxLength: 6 })
  .map((rows) =>
    flat(
      rows.map(([, list], i) => [...new Set(list.filter((first) => first < i))]),
      rows.map(([tools]) => tools),
    ),
  )

describe('the order of covers', () => {
  test('takes as few tool changes as trying every order, things with several tools among them', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const found = orderCovers(problem)
        expect(found.toolChanges).toBe(everyOrder(problem))
        expect(found.changesProven).toBe(true)
        expect(fewestChanges(found.order.map((i) => problem.tools[i]))).toBe(found.toolChanges)
      }),
      { numRuns: 300 },
    )
  })

  test('beyond twenty things it is never worse than its bound says', () => {
    const many = fc
      .array(fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'), { minLength: 1, maxLength: 2 }), {
        minLength: 21,
        maxLength: 24,
      })
      .map((tools) =>
        flat(
          tools.map(() => []),
          tools,
        ),
      )
    fc.assert(
      fc.property(many, (problem) => {
        const found = orderCovers(problem, 200)
        expect(found.leastChanges).toBeLessThanOrEqual(found.toolChanges)
        expect(found.changesProven).toBe(found.leastChanges === found.toolChanges)
        expect(fewestChanges(found.order.map((i) => problem.tools[i]))).toBe(found.toolChanges)
      }),
      { numRuns: 20 },
    )
  })

  test.each([
    ['the same two tools each', (_: number) => ['spanner 10', 'driver T30']],
    ['two of their own each', (i: number) => [`x${i}`, `y${i}`]],
    ['two of a ring each', (i: number) => [`t${i}`, `t${(i + 1) % 26}`]],
    ['two at random each', (i: number) => [`t${(i * 7) % 9}`, `u${(i * 5) % 11}`]],
  ])(
    '26 things with %s are put in order: a search without a bound would not come back',
    (_, tools) => {
      const list = Array.from({ length: 26 }, (__, i) => tools(i))
      const found = orderCovers(
        flat(
          list.map(() => []),
          list,
        ),
        4,
      )
      expect([...found.order].sort((a, b) => a - b)).toEqual(list.map((___, i) => i))
      expect(found.toolChanges - found.leastChanges).toBeLessThanOrEqual(6)
    },
    30_000,
  )

  test('20 things with two tools each are exact', () => {
    const tools = Array.from({ length: 20 }, (_, i) => [`t${(i * 7) % 9}`, `u${(i * 5) % 11}`])
    const found = orderCovers(
      flat(
        tools.map(() => []),
        tools,
      ),
      50,
    )
    expect(found.changesProven).toBe(true)
  })
})
