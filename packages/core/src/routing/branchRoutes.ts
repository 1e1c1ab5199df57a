import TinyQueue from 'tinyqueue'
import type { RouteGraph } from './routeGraph.ts'

/** One compromise of a way from a node to a target: loom taken, hazard, bulkhead work; whole units of `RouteEdge`. */
export interface WayLabel {
  need: number
  hazardScore: number
  work: number
  /** First edge towards the target and the label at its other end; null at the target. */
  edge: number
  next: WayLabel | null
}

export interface BranchRoutes {
  /** Per node the ways nobody beats in all three, the one that takes least loom first; empty where there is none. */
  ways: WayLabel[][]
  /** Least hazard from each node, whatever the length; infinite where there is no way. */
  leastDose: Float64Array
}

function beats(a: WayLabel, b: WayLabel): boolean {
  return a.need <= b.need && a.hazardScore <= b.hazardScore && a.work <= b.work
}

/**
 * All best compromises from every node to one target: label setting over need, hazard score and work (Martins 1984).
 * @param areaMm2 passages with less room are closed to this branch
 * @param reach ways that take more loom than this are kept only where there is no other
 * @param shut edges this branch does not pass
 */
export function branchRoutes(
  graph: RouteGraph,
  target: number,
  areaMm2: number,
  reach: number,
  shut: ReadonlyMap<number, unknown> = nothingShut,
): BranchRoutes {
  const ways: WayLabel[][] = graph.nodes.map(() => [])
  const open = labelQueue()
  open.push(target, { need: 0, hazardScore: 0, work: 0, edge: -1, next: null })
  for (let item = open.pop(); item; item = open.pop()) {
    const { node, label } = item
    const kept = ways[node]
    if (kept.some((other) => beats(other, label))) continue
    if (label.need > reach && kept.length > 0) continue
    kept.push(label)
    for (const e of graph.at[node]) {
      const edge = graph.edges[e]
      if (edge.barred !== null || edge.free < areaMm2 || shut.has(e)) continue
      const far = edge.a === node ? edge.b : edge.a
      const next = {
        need: label.need + edge.need,
        hazardScore: label.hazardScore + edge.hazardScore,
        work: label.work + edge.work,
        edge: e,
        next: label,
      }
      if (!ways[far].some((other) => beats(other, next))) open.push(far, next)
    }
  }
  return { ways, leastDose: leastDoses(graph, target, areaMm2, shut) }
}

const nothingShut: ReadonlyMap<number, unknown> = new Map()

function leastDoses(
  graph: RouteGraph,
  target: number,
  areaMm2: number,
  shut: ReadonlyMap<number, unknown>,
): Float64Array {
  const hazardScore = new Float64Array(graph.nodes.length).fill(Infinity)
  const open = labelQueue()
  open.push(target, { need: 0, hazardScore: 0, work: 0, edge: -1, next: null })
  for (let item = open.pop(); item; item = open.pop()) {
    if (item.label.need >= hazardScore[item.node]) continue
    hazardScore[item.node] = item.label.need
    for (const e of graph.at[item.node]) {
      const edge = graph.edges[e]
      if (edge.barred !== null || edge.free < areaMm2 || shut.has(e)) continue
      const far = edge.a === item.node ? edge.b : edge.a
      const sum = item.label.need + edge.hazardScore
      if (sum < hazardScore[far]) open.push(far, { need: sum, hazardScore: 0, work: 0, edge: e, next: null })
    }
  }
  return hazardScore
}

interface Open {
  node: number
  label: WayLabel
  /** Order of arrival, so that runs repeat. */
  order: number
}

/** Least need first, then hazard score, then work. */
function labelQueue() {
  let count = 0
  const queue = new TinyQueue<Open>(
    [],
    (a, b) =>
      a.label.need - b.label.need ||
      a.label.hazardScore - b.label.hazardScore ||
      a.label.work - b.label.work ||
      a.order - b.order,
  )
  return {
    push: (node: number, label: WayLabel) => queue.push({ node, label, order: count++ }),
    pop: () => queue.pop(),
  }
}
