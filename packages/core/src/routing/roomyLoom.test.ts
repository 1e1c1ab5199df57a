import { expect, test } from 'vitest'
import type { Passage } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import { bundleAreaMm2 } from './bundles.ts'
import { prepareLoom, roomyLoom } from './layLoom.ts'
import { loomEnds } from './loomEnds.ts'
import { plainRoomyCost } from './plainRoomCase.ts'
import { randomRoute } from './randomRouteCase.ts'
import { routeGraph } from './routeGraph.ts'
import { breakOutOf, bundlesOf, exitM } from './runBundles.ts'

const tenths = (metres: number) => Math.round(metres * 1e4)

/** A small machine with passages that take one, two or all branches of the loom. */
function narrowCase(seed: number) {
  const { machine, kit, matches } = randomRoute(seed, { points: 5, passages: 8, places: 1, branches: 3 })
  const read = loomEnds(machine, kit, matches)
  if (!read.ok) throw new Error(read.problems[0].message)
  const ends = read.value
  const random = seededRandom(seed + 1000)
  const wires = ends.map((end) => end.areasMm2)
  const narrow = [1, 2, 3].map((count) => Math.ceil(bundleAreaMm2(wires.slice(0, count).flat()) + 1))
  const passages: Passage[] = (machine.passages ?? []).map(({ freeMm2: _, ...passage }) =>
    random.uniform() < 0.6 ? { ...passage, freeMm2: narrow[Math.floor(random.uniform() * 3)] } : passage,
  )
  return { machine: { ...machine, passages }, kit, ends }
}

test('on 250 small machines with narrow passages the loom that has room costs what trying everything finds', () => {
  let moved = 0
  let thick = 0
  for (let seed = 1; seed <= 250; seed++) {
    const { machine, kit, ends } = narrowCase(seed)
    const graph = routeGraph(machine)
    const loom = prepareLoom(machine, kit, ends)
    const start = graph.servedAt.get('place:place0') ?? 0
    const branches = ends.flatMap((end) => {
      const to = loom.routes.get(end.id)
      if (!to) return []
      return [
        {
          breakOut: breakOutOf(end),
          supplied: tenths(end.branchM),
          extra: tenths(end.loopM + to.lastM),
          never: end.never !== null,
          target: to.node,
          wires: end.areasMm2,
        },
      ]
    })
    const found = roomyLoom(loom, graph, start, 1e6, 1e4)
    const over = found.bundles.some((bundle) => bundle.over)
    const plain = plainRoomyCost(graph, start, tenths(Math.max(0, kit.trunkM - exitM)), branches)
    const possible = plain !== null && plain[0] === 0 && plain[1] === 0
    if (possible) expect({ seed, over, cost: found.path.cost }).toEqual({ seed, over: false, cost: plain })
    // What cannot lie there is said, one way or the other.
    else expect(over || found.path.cost[0] + found.path.cost[1] > 0).toBe(true)
    const wide = { ...machine, passages: machine.passages.map(({ freeMm2: _, ...passage }) => passage) }
    const loose = roomyLoom(prepareLoom(wide, kit, ends), routeGraph(wide), start, 1e6)
    if (JSON.stringify(loose.path.cost) !== JSON.stringify(found.path.cost)) moved++
    if (!possible) thick++
  }
  // The cases must have teeth: in many something had to give way, in some nothing helps.
  expect(moved).toBeGreaterThan(60)
  expect(thick).toBeGreaterThan(0)
})

test('a wire that leaves the trunk inside a passage is in it once', () => {
  const { machine, ends } = narrowCase(1)
  const graph = routeGraph(machine)
  const [edge] = graph.edges
  const [first, ...others] = ends.map((end) => ({ ...end, areasMm2: [1] }))
  const half = edge.need / 2 / 1e4
  const leaving = { ...first, breakOutM: exitM + half }
  const along = (from: number, to: number) => [{ passage: edge.passage.id, from, to }]
  const loom = [leaving, ...others.map((end) => ({ ...end, breakOutM: 5 }))]
  const [bundle] = bundlesOf(graph, loom, { stretches: along(0, 1) }, [{ end: leaving, stretches: along(0.5, 1) }])
  expect(bundle.areaMm2).toBeCloseTo(bundleAreaMm2(loom.map(() => 1)))
  // Back along the trunk it lies twice.
  const [back] = bundlesOf(graph, loom, { stretches: along(0, 1) }, [{ end: leaving, stretches: along(0.5, 0) }])
  expect(back.areaMm2).toBeCloseTo(bundleAreaMm2([1, ...loom.map(() => 1)]))
})
