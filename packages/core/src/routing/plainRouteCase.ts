import type { RouteGraph } from './routeGraph.ts'
import {
  costOfWay,
  lessCost,
  noCost,
  type BranchWay,
  type LoomCost,
  type SearchBranch,
  type SearchTrunk,
} from './trunkSearch.ts'

type PlainBranch = Omit<SearchBranch, 'routes'> & { target: number }

interface Sum {
  need: number
  hazardScore: number
  work: number
}

/** Every simple way between two nodes, tried one after the other. */
function allWays(graph: RouteGraph, from: number, to: number, area: number): Sum[] {
  const found: Sum[] = []
  const visited = new Set<number>()
  const walk = (node: number, sum: Sum) => {
    if (node === to) {
      found.push(sum)
      return
    }
    visited.add(node)
    for (const edge of graph.edges) {
      if (edge.a !== node && edge.b !== node) continue
      const far = edge.a === node ? edge.b : edge.a
      if (visited.has(far) || edge.barred !== null || edge.free < area) continue
      walk(far, {
        need: sum.need + edge.need,
        hazardScore: sum.hazardScore + edge.hazardScore,
        work: sum.work + edge.work,
      })
    }
    visited.delete(node)
  }
  walk(from, { need: 0, hazardScore: 0, work: 0 })
  return found
}

/** The least cost of a laid loom by trying every simple path of the trunk and every way of every branch. For small graphs. */
export function plainLeastCost(
  graph: RouteGraph,
  start: number,
  trunk: SearchTrunk,
  branches: readonly PlainBranch[],
): LoomCost {
  const known = new Map<string, Sum[]>()
  const waysFrom = (node: number, branch: PlainBranch) => {
    const key = `${node}>${branch.target}>${branch.area}`
    const ways = known.get(key) ?? allWays(graph, node, branch.target, branch.area)
    known.set(key, ways)
    return ways
  }
  const costAt = (branch: PlainBranch, offers: Sum[]): LoomCost => {
    const whole = { ...branch, routes: { ways: [], leastDose: new Float64Array() } }
    const costs = offers.map((sum) => ({
      sum,
      cost: costOfWay(whole, { ...sum, label: null, onEdge: null } as BranchWay),
    }))
    if (costs.length === 0) return costOfWay(whole, null)
    // Of those that reach the least hazard, else the least loom.
    const room = branch.supplied - branch.extra
    const reaching = costs.filter(({ sum }) => sum.need <= room)
    const [best] = (reaching.length > 0 ? reaching : costs).sort(({ sum: a }, { sum: b }) =>
      reaching.length > 0
        ? a.hazardScore - b.hazardScore || a.work - b.work || a.need - b.need
        : a.need - b.need || a.hazardScore - b.hazardScore || a.work - b.work,
    )
    return best.cost
  }
  let best: LoomCost | null = null
  const steps: { edge: number; from: number; used: number }[] = []
  const price = () => {
    let cost = noCost
    let end = start
    let length = 0
    const add = (more: LoomCost) => {
      cost = cost.map((value, i) => value + more[i]) as unknown as LoomCost
    }
    const upTo = (edge: RouteGraph['edges'][number], at: number) => Math.round((edge.hazardScore * at) / edge.need)
    for (const step of steps) {
      const edge = graph.edges[step.edge]
      const forward = edge.a === step.from
      const hazardScore = forward ? upTo(edge, step.used) : edge.hazardScore - upTo(edge, edge.need - step.used)
      add([0, 0, 0, 0, hazardScore, step.used * 2 > edge.need ? edge.work : 0, step.used])
      length += step.used
      end = forward ? edge.b : edge.a
    }
    for (const branch of branches) {
      const at = Math.min(branch.breakOut, length)
      let run = 0
      let offers: Sum[] | null = null
      for (const step of steps) {
        const edge = graph.edges[step.edge]
        const along = at - run
        if (along > 0 && along < edge.need && along <= step.used) {
          const forward = edge.a === step.from
          const fromA = forward ? along : edge.need - along
          const past = fromA * 2 > edge.need
          offers =
            edge.free < branch.area
              ? []
              : [
                  ...waysFrom(edge.a, branch).map((way) => ({
                    need: way.need + fromA,
                    hazardScore: way.hazardScore + upTo(edge, fromA),
                    work: way.work + (past ? edge.work : 0),
                  })),
                  ...waysFrom(edge.b, branch).map((way) => ({
                    need: way.need + edge.need - fromA,
                    hazardScore: way.hazardScore + edge.hazardScore - upTo(edge, fromA),
                    work: way.work + (past ? 0 : edge.work),
                  })),
                ]
          break
        }
        if (along <= 0) break
        run += step.used
      }
      if (offers === null) {
        let node = start
        let passed = 0
        for (const step of steps) {
          const edge = graph.edges[step.edge]
          if (passed + edge.need > at || step.used < edge.need) break
          passed += step.used
          node = edge.a === step.from ? edge.b : edge.a
        }
        offers = waysFrom(
          at >= length &&
            steps.length > 0 &&
            steps[steps.length - 1].used === graph.edges[steps[steps.length - 1].edge].need
            ? end
            : node,
          branch,
        )
      }
      add(costAt(branch, offers))
    }
    if (!best || lessCost(cost, best)) best = cost
  }
  const visited = new Set<number>()
  const walk = (node: number, used: number) => {
    price()
    if (used >= trunk.length) return
    visited.add(node)
    graph.edges.forEach((edge, i) => {
      if (edge.a !== node && edge.b !== node) return
      const far = edge.a === node ? edge.b : edge.a
      if (visited.has(far) || edge.barred !== null || edge.free < trunk.areaBeyond(used)) return
      const part = Math.min(edge.need, trunk.length - used)
      steps.push({ edge: i, from: node, used: part })
      if (part === edge.need) walk(far, used + part)
      else price()
      steps.pop()
    })
    visited.delete(node)
  }
  walk(start, 0)
  return best ?? noCost
}

/** The least loom from a node to another by relaxing every edge as often as there are nodes (Bellman 1958). */
export function plainLeastNeed(graph: RouteGraph, target: number, area: number): number[] {
  const need = graph.nodes.map((_, i) => (i === target ? 0 : Infinity))
  for (let round = 0; round < graph.nodes.length; round++)
    for (const edge of graph.edges) {
      if (edge.barred !== null || edge.free < area) continue
      need[edge.a] = Math.min(need[edge.a], need[edge.b] + edge.need)
      need[edge.b] = Math.min(need[edge.b], need[edge.a] + edge.need)
    }
  return need
}

export { allWays as allPlainWays }
