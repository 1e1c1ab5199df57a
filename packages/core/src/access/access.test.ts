import { describe, expect, test } from 'vitest'
import { seededRandom } from '../shared/index.ts'
import { orderByTrying, randomOrder, randomRemoval, removalByTrying } from './bruteAccessCase.ts'
import { minimumRemoval } from './minimumRemoval.ts'
import { fewestChanges, orderCovers } from './orderCovers.ts'

describe('the least that must come off', () => {
  test.each(Array.from({ length: 120 }, (_, seed) => seed))(
    'equals trying everything, machine of chance %i',
    (seed) => {
      const random = seededRandom(seed + 1)
      const problem = randomRemoval(random, 3 + (seed % 8), 1 + (seed % 7), 1 + (seed % 3))
      const tried = removalByTrying(problem)
      const found = minimumRemoval(problem, { mostTies: 1000 })
      expect(found.seconds).toBe(tried.seconds)
      expect(found.exact).toBe(true)
      expect(found.provenSeconds).toBe(found.seconds)
      for (const { covers, ways } of found.choices) {
        const price =
          covers.reduce((sum, cover) => sum + problem.coverSeconds[cover], 0) +
          ways.reduce((sum, way, t) => sum + problem.targets[t][way].seconds, 0)
        expect(price).toBe(tried.seconds)
        expect(tried.covers).toContain(covers.join(','))
      }
    },
  )

  test('a cover that serves two targets is paid once', () => {
    const found = minimumRemoval({
      coverSeconds: [600, 400, 400],
      targets: [
        [
          { seconds: 60, covers: [0] },
          { seconds: 60, covers: [1] },
        ],
        [
          { seconds: 60, covers: [0] },
          { seconds: 60, covers: [2] },
        ],
      ],
    })
    expect(found).toMatchObject({ seconds: 720, exact: true })
    expect(found.choices).toEqual([{ covers: [0], ways: [0, 0] }])
  })

  test('nothing to reach takes nothing off', () => {
    expect(minimumRemoval({ coverSeconds: [100], targets: [] })).toMatchObject({
      seconds: 0,
      choices: [{ covers: [] }],
    })
  })

  test('ended early it gives what it has, with a gap that holds', () => {
    const problem = randomRemoval(seededRandom(5), 60, 50, 3)
    const whole = minimumRemoval(problem)
    const ended = minimumRemoval(problem, { enough: () => true })
    expect(ended.seconds).toBeGreaterThanOrEqual(whole.seconds)
    expect(ended.provenSeconds).toBeLessThanOrEqual(whole.seconds + 1e-6)
  })

  test('two ways and three covers to each of 60 targets under 80 covers: exact', () => {
    for (let seed = 1; seed <= 5; seed++) {
      const found = minimumRemoval(randomRemoval(seededRandom(seed), 80, 60, 2))
      expect(found.exact).toBe(true)
    }
  })
})

describe('the order', () => {
  test.each(Array.from({ length: 80 }, (_, seed) => seed))('equals trying every order, case %i', (seed) => {
    const problem = randomOrder(seededRandom(seed + 1), 1 + (seed % 7))
    const tried = orderByTrying(problem)
    const found = orderCovers(problem)
    expect({ toolChanges: found.toolChanges, walkCm: found.walkCm }).toEqual(tried)
    expect([...found.order].sort()).toEqual(problem.before.map((_, i) => i))
    found.order.forEach((item, at) =>
      problem.before[item].forEach((before) => expect(found.order.indexOf(before)).toBeLessThan(at)),
    )
    expect(fewestChanges(found.order.map((item) => problem.tools[item]))).toBe(found.toolChanges)
  })

  test('a narrow search keeps the precedence and the fewest changes, and says that the way is not proven', () => {
    const problem = randomOrder(seededRandom(3), 16)
    const narrow = orderCovers(problem, 4)
    const wide = orderCovers(problem, 100_000)
    expect(narrow.exact).toBe(false)
    expect(wide.exact).toBe(true)
    expect(narrow.toolChanges).toBe(wide.toolChanges)
    expect(narrow.walkCm).toBeGreaterThanOrEqual(wide.walkCm)
    narrow.order.forEach((item, at) =>
      problem.before[item].forEach((before) => expect(narrow.order.indexOf(before)).toBeLessThan(at)),
    )
  })

  test('things undone by hand leave the tool in the hand', () => {
    expect(fewestChanges([['hex 5'], [], ['hex 5']])).toBe(1)
    expect(fewestChanges([['hex 5', 'cross 2'], ['hex 5']])).toBe(2)
    expect(fewestChanges([])).toBe(0)
  })
})
