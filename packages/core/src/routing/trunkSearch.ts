import type { BranchRoutes, WayLabel } from './branchRoutes.ts'
import type { RouteEdge, RouteGraph } from './routeGraph.ts'

/** A branch as the search sees it: whole tenths of a mm. */
export interface SearchBranch {
  /** Break-out along the trunk, from the module. */
  breakOut: number
  supplied: number
  /** Loop and last bit at the plug, beyond the way. */
  extra: number
  never: boolean
  area: number
  routes: BranchRoutes
  /** Places this branch is kept out of: by edge, from its `a` end, need units. */
  shut?: BranchShut
}

/** The trunk as the search sees it: whole tenths of a mm. */
export interface SearchTrunk {
  length: number
  /** Cross-section of the bundle of what breaks out beyond a distance from the module, mm². */
  areaBeyond: (distance: number) => number
  /** Passings of an edge the trunk is kept out of, by `passingKey`. */
  shut?: ReadonlySet<string>
}

export type BranchShut = ReadonlyMap<number, readonly number[]>

/** An edge entered from a node after so much of the trunk: which of its wires lie where in it follows. */
export function passingKey(edge: number, from: number, after: number): string {
  return `${edge} ${from} ${after}`
}

/** What a laid loom costs, compared from the first figure on; less is better. */
export type LoomCost = [
  never: number,
  unreachable: number,
  extensions: number,
  short: number,
  hazardScore: number,
  work: number,
  need: number,
]

export interface BranchWay {
  /** Node the way starts at, and the part of the trunk's last edge it goes back or on along to get there. */
  label: WayLabel | null
  /** Share of need on the edge the break-out lies on. */
  onEdge: { edge: number; from: number; to: number } | null
  need: number
  hazardScore: number
  work: number
}

export interface TrunkPath {
  /** Edges in order with the direction they are passed in; the last may be passed in part. */
  steps: { edge: number; from: number; used: number }[]
  /** Need units along the path. */
  length: number
  ways: BranchWay[]
  cost: LoomCost
}

export const noCost: LoomCost = [0, 0, 0, 0, 0, 0, 0]

export function lessCost(a: LoomCost, b: LoomCost): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i] < b[i]
  return false
}

function plus(a: LoomCost, b: LoomCost): LoomCost {
  return [a[0] + b[0], a[1] + b[1], a[2] + b[2], a[3] + b[3], a[4] + b[4], a[5] + b[5], a[6] + b[6]]
}

/** Where a break-out lies: at a node, or on an edge so far from its `a` end, need units. */
export type TrunkPoint = { node: number } | { edge: number; at: number }

/**
 * The way a branch takes from a point of the trunk: of those that reach, the least hazard, then the least bulkhead work, then the
 * least loom; where none reaches, the one that takes least loom.
 * @returns null where there is no way at all
 */
export function bestWay(graph: RouteGraph, branch: SearchBranch, point: TrunkPoint): BranchWay | null {
  let best: BranchWay | null = null
  let bestReaches = false
  const room = branch.supplied - branch.extra
  const offer = (way: BranchWay) => {
    const reaches = way.need <= room
    if (best) {
      if (bestReaches && !reaches) return
      if (bestReaches === reaches) {
        const order = reaches
          ? way.hazardScore - best.hazardScore || way.work - best.work || way.need - best.need
          : way.need - best.need || way.hazardScore - best.hazardScore || way.work - best.work
        if (order >= 0) return
      }
    }
    best = way
    bestReaches = reaches
  }
  if ('node' in point) {
    for (const label of branch.routes.ways[point.node])
      offer({ label, onEdge: null, need: label.need, hazardScore: label.hazardScore, work: label.work })
    return best
  }
  const edge = graph.edges[point.edge]
  if (edge.free < branch.area) return best
  const shut = branch.shut?.get(point.edge) ?? []
  const back = doseUpTo(edge, point.at)
  const pastHalf = point.at * 2 > edge.need
  for (const label of shut.some((at) => at <= point.at) ? [] : branch.routes.ways[edge.a])
    offer({
      label,
      onEdge: { edge: point.edge, from: point.at, to: 0 },
      need: label.need + point.at,
      hazardScore: label.hazardScore + back,
      work: label.work + (pastHalf ? edge.work : 0),
    })
  for (const label of shut.some((at) => at >= point.at) ? [] : branch.routes.ways[edge.b])
    offer({
      label,
      onEdge: { edge: point.edge, from: point.at, to: edge.need },
      need: label.need + edge.need - point.at,
      hazardScore: label.hazardScore + edge.hazardScore - back,
      work: label.work + (pastHalf ? 0 : edge.work),
    })
  return best
}

/** Hazard from an edge's `a` end up to a point on it; both directions add up to the whole. */
function doseUpTo(edge: RouteEdge, at: number): number {
  return Math.round((edge.hazardScore * at) / edge.need)
}

/** Longer than any edge, tenths of a mm. */
const farthest = 2 ** 21

const nowhere: BranchWay = { label: null, onEdge: null, need: 0, hazardScore: 0, work: 0 }

export function costOfWay(branch: SearchBranch, way: BranchWay | null): LoomCost {
  if (!way) return [0, 1, 0, 0, 0, 0, 0]
  const short = Math.max(0, way.need + branch.extra - branch.supplied)
  return [short > 0 && branch.never ? 1 : 0, 0, short > 0 ? 1 : 0, short, way.hazardScore, way.work, way.need]
}

/**
 * The best way for the trunk from a node: every simple path up to the trunk's length, ending at a point (what is left is bundled
 * there) or where the trunk ends. Break-outs lie at their fixed distances, those beyond the path's end at its end.
 * Depth first; a partial path is left when even its bound is no better than the best found.
 * @param limit nodes of the search; beyond it the best found so far, not proven
 */
export function searchTrunk(
  graph: RouteGraph,
  start: number,
  trunk: SearchTrunk,
  branches: readonly SearchBranch[],
  limit: number,
): { path: TrunkPath; exact: boolean } {
  const order = branches.map((_, i) => i).sort((a, b) => branches[a].breakOut - branches[b].breakOut)
  const cache = branches.map(() => new Map<number, { way: BranchWay | null; cost: LoomCost }>())
  const settle = (i: number, point: TrunkPoint) => {
    const key = 'node' in point ? -1 - point.node : point.edge * farthest + point.at
    let known = cache[i].get(key)
    if (!known) {
      const way = bestWay(graph, branches[i], point)
      known = { way, cost: costOfWay(branches[i], way) }
      cache[i].set(key, known)
    }
    return known
  }
  const found: { best: (Omit<TrunkPath, 'ways'> & { points: TrunkPoint[] }) | null } = { best: null }
  let visits = 0
  const visited = new Uint8Array(graph.nodes.length)
  const steps: TrunkPath['steps'] = []
  const points: TrunkPoint[] = []

  /** Settles every break-out in order from `next` on that lies up to `until`. */
  const settleUntil = (next: number, until: number, cost: LoomCost, pointOf: (breakOut: number) => TrunkPoint) => {
    let sum = cost
    let at = next
    while (at < order.length && branches[order[at]].breakOut <= until) {
      const point = pointOf(branches[order[at]].breakOut)
      points[order[at]] = point
      sum = plus(sum, settle(order[at], point).cost)
      at++
    }
    return { next: at, cost: sum }
  }
  const finish = (next: number, cost: LoomCost, length: number, point: TrunkPoint) => {
    const done = settleUntil(next, Infinity, cost, () => point)
    if (found.best && !lessCost(done.cost, found.best.cost)) return
    found.best = { steps: steps.map((step) => ({ ...step })), length, points: points.slice(), cost: done.cost }
  }
  /** No completion from here costs less. */
  const bound = (next: number, node: number, used: number, cost: LoomCost): LoomCost => {
    let hazardScore = 0
    const sum: LoomCost = [cost[0], cost[1], cost[2], cost[3], cost[4], cost[5], cost[6]]
    for (let at = next; at < order.length; at++) {
      const branch = branches[order[at]]
      const [least] = branch.routes.ways[node]
      if (!least) {
        sum[1] += 1
        continue
      }
      const short = least.need + branch.extra - (branch.supplied + branch.breakOut - used)
      if (short > 0) {
        if (branch.never) sum[0] += 1
        sum[2] += 1
        sum[3] += short
      }
      hazardScore = Math.max(hazardScore, branch.routes.leastDose[node])
    }
    sum[4] += hazardScore
    return sum
  }
  const walk = (node: number, used: number, next: number, cost: LoomCost) => {
    if (++visits > limit) return
    if (found.best && !lessCost(bound(next, node, used, cost), found.best.cost)) return
    finish(next, cost, used, { node })
    if (used >= trunk.length) return
    visited[node] = 1
    const area = trunk.areaBeyond(used)
    const onwards = graph.at[node]
      .filter((e) => {
        const edge = graph.edges[e]
        const open = edge.barred === null && edge.free >= area && !trunk.shut?.has(passingKey(e, node, used))
        return open && !visited[edge.a === node ? edge.b : edge.a]
      })
      .map((e) => {
        const edge = graph.edges[e]
        const far = edge.a === node ? edge.b : edge.a
        let ahead = 0
        for (let at = next; at < order.length; at++) ahead += branches[order[at]].routes.ways[far][0]?.need ?? 1e6
        return { e, far, ahead }
      })
      .sort((a, b) => a.ahead - b.ahead || a.e - b.e)
    for (const { e, far } of onwards) {
      const edge = graph.edges[e]
      const forward = edge.a === node
      const whole = used + edge.need <= trunk.length
      const until = whole ? used + edge.need : trunk.length
      const part = until - used
      const half = part * 2 > edge.need
      const moved: LoomCost = plus(cost, [
        0,
        0,
        0,
        0,
        forward ? doseUpTo(edge, part) : edge.hazardScore - doseUpTo(edge, edge.need - part),
        half ? edge.work : 0,
        part,
      ])
      const pointOf = (breakOut: number): TrunkPoint => {
        const along = breakOut - used
        if (along >= edge.need) return { node: far }
        return { edge: e, at: forward ? along : edge.need - along }
      }
      steps.push({ edge: e, from: node, used: part })
      const settled = settleUntil(next, until, moved, pointOf)
      if (whole) walk(far, until, settled.next, settled.cost)
      else finish(settled.next, settled.cost, until, pointOf(until))
      steps.pop()
    }
    visited[node] = 0
  }
  const first = settleUntil(0, 0, noCost, () => ({ node: start }))
  walk(start, 0, first.next, first.cost)
  const { best } = found
  if (!best) throw new Error(`routing: the search from "${graph.nodes[start].id}" was not let to begin`)
  return {
    path: {
      steps: best.steps,
      length: best.length,
      cost: best.cost,
      ways: branches.map((_, i) => settle(i, best.points[i]).way ?? nowhere),
    },
    exact: visits <= limit,
  }
}
