import fc from 'fast-check'
import { expect, test } from 'vitest'
import { solveAssignment } from './solveAssignment.ts'

function cheapestByTryingAll(cost: number[][], row = 0, taken: Set<number> = new Set()): number {
  if (row === cost.length) return 0
  let best = Infinity
  for (let column = 0; column < cost[0].length; column++) {
    if (taken.has(column)) continue
    best = Math.min(best, cost[row][column] + cheapestByTryingAll(cost, row + 1, new Set([...taken, column])))
  }
  return best
}

test('finds the cheapest of all ways, and each row gets a column of its own', () => {
  const rectangle = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 2 })).chain(([rows, more]) =>
    fc.array(fc.array(fc.integer({ min: 0, max: 40 }), { minLength: rows + more, maxLength: rows + more }), {
      minLength: rows,
      maxLength: rows,
    }),
  )
  fc.assert(
    fc.property(rectangle, (cost) => {
      const { columnOfRow, total } = solveAssignment(cost)
      expect(new Set(columnOfRow).size).toBe(cost.length)
      expect(total).toBe(cheapestByTryingAll(cost))
    }),
    { numRuns: 300 },
  )
})

test('no rows cost nothing', () => {
  expect(solveAssignment([])).toEqual({ columnOfRow: [], total: 0 })
})

test('refuses more rows than columns and costs that are not finite', () => {
  expect(() => solveAssignment([[1], [2]])).toThrow('2 rows cannot each get one of 1 columns')
  expect(() => solveAssignment([[Number.NaN]])).toThrow('finite')
})
