import { describe, expect, test } from 'vitest'
import { branchRoutes } from './branchRoutes.ts'
import { allPlainWays, plainLeastCost, plainLeastNeed } from './plainRouteCase.ts'
import { randomRoute } from './randomRouteCase.ts'
import { routeGraph } from './routeGraph.ts'
import { searchTrunk } from './trunkSearch.ts'

const small = { points: 7, passages: 10, places: 1, branches: 4 }

describe('ways of a branch', () => {
  test('on 60 random machines the least loom is that of plain relaxation', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { machine } = randomRoute(seed, { points: 25, passages: 45, places: 1, branches: 1 })
      const graph = routeGraph(machine)
      const target = graph.nodes.length - 1 - (seed % 20)
      const routes = branchRoutes(graph, target, 5, 1e9)
      const plain = plainLeastNeed(graph, target, 5)
      graph.nodes.forEach((_, node) => expect(routes.ways[node][0]?.need ?? Infinity).toBe(plain[node]))
    }
  })

  test('on 80 small ones every way nobody beats is there, and no other', () => {
    for (let seed = 1; seed <= 80; seed++) {
      const { machine } = randomRoute(seed, small)
      const graph = routeGraph(machine)
      const first = graph.nodes.findIndex((node) => node.id === 's0')
      const from = graph.nodes.findIndex((node) => node.id === `s${1 + (seed % 6)}`)
      const kept = branchRoutes(graph, first, 5, 1e9)
      const plain = allPlainWays(graph, from, first, 5)
      const best = plain.filter(
        (a) =>
          !plain.some(
            (b) =>
              b.need <= a.need &&
              b.hazardScore <= a.hazardScore &&
              b.work <= a.work &&
              (b.need < a.need || b.hazardScore < a.hazardScore || b.work < a.work),
          ),
      )
      const text = (sums: { need: number; hazardScore: number; work: number }[]) =>
        [...new Set(sums.map((sum) => `${sum.need} ${sum.hazardScore} ${sum.work}`))].sort()
      expect(text(kept.ways[from])).toEqual(text(best))
      expect(kept.leastDose[from]).toBe(Math.min(...plain.map((sum) => sum.hazardScore)))
    }
  })
})

describe('the trunk', () => {
  test('on 150 random machines and looms the cost equals that of trying everything', () => {
    let shortOnes = 0
    let hazardous = 0
    for (let seed = 1; seed <= 150; seed++) {
      const { machine, kit } = randomRoute(seed, small)
      const graph = routeGraph(machine)
      const branches = kit.ends.map((end, i) => ({
        breakOut: Math.round(end.breakOutM * 1e4),
        supplied: Math.round(end.branchM * (seed % 3 === 0 ? 0.6 : 1) * 1e4),
        extra: 600,
        never: i === 0 && seed % 4 === 0,
        area: 12,
        target: graph.servedAt.get(`connector:c${i}`) ?? 0,
      }))
      const start = graph.servedAt.get('place:place0') ?? 0
      const whole = seed % 5 === 0 ? 30 : 15
      const trunk = {
        length: Math.round(kit.trunkM * 1e4),
        areaBeyond: (distance: number) => whole + 3 * branches.filter((branch) => branch.breakOut > distance).length,
      }
      const { path, exact } = searchTrunk(
        graph,
        start,
        trunk,
        branches.map(({ target, ...branch }) => ({ ...branch, routes: branchRoutes(graph, target, branch.area, 1e9) })),
        1e6,
      )
      expect(exact).toBe(true)
      expect({ seed, cost: path.cost }).toEqual({ seed, cost: plainLeastCost(graph, start, trunk, branches) })
      if (path.cost[2] > 0) shortOnes++
      if (path.cost[4] > 0) hazardous++
    }
    // The cases must have teeth: some that do not reach, many with something on the way.
    expect(shortOnes).toBeGreaterThan(20)
    expect(hazardous).toBeGreaterThan(100)
  })

  test('a search that is cut off says so and still lays every branch', () => {
    const { machine, kit } = randomRoute(3, { points: 40, passages: 90, places: 1, branches: 6 })
    const graph = routeGraph(machine)
    const branches = kit.ends.map((end, i) => ({
      breakOut: Math.round(end.breakOutM * 1e4),
      supplied: Math.round(end.branchM * 1e4),
      extra: 600,
      never: false,
      area: 5,
      routes: branchRoutes(graph, graph.servedAt.get(`connector:c${i}`) ?? 0, 5, 1e9),
    }))
    const start = graph.servedAt.get('place:place0') ?? 0
    const trunk = { length: 9000, areaBeyond: () => 15 }
    const cut = searchTrunk(graph, start, trunk, branches, 3)
    const whole = searchTrunk(graph, start, trunk, branches, 1e6)
    expect(cut.exact).toBe(false)
    expect(cut.path.ways.every((way) => way.label !== null)).toBe(true)
    expect(whole.exact).toBe(true)
  })
})
