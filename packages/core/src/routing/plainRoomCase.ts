import { wireDiameterMm } from './bundles.ts'
import type { RouteGraph } from './routeGraph.ts'
import { costOfWay, lessCost, noCost, type BranchWay, type LoomCost, type SearchBranch } from './trunkSearch.ts'

export type WiredBranch = Omit<SearchBranch, 'routes' | 'area' | 'shut'> & { target: number; wires: readonly number[] }

/** A part of an edge something lies in, need units from its `a` end. */
interface Lie {
  edge: number
  from: number
  to: number
  wires: readonly number[]
}
interface Offer {
  cost: LoomCost
  lies: Lie[]
}

const circleMm2 = (wires: readonly number[]) => {
  const sum = wires.map(wireDiameterMm).reduce((total, diameter) => total + diameter ** 2, 0)
  return (Math.PI / 4) * (sum / 0.65)
}
const plus = (a: LoomCost, b: LoomCost) => a.map((value, i) => value + b[i]) as unknown as LoomCost

/**
 * The least cost of a loom in which everything has room, by trying every simple path of the trunk with every simple way of every
 * branch. Null: there is none that reaches everything. For very small graphs.
 */
export function plainRoomyCost(
  graph: RouteGraph,
  start: number,
  trunkLength: number,
  branches: readonly WiredBranch[],
): LoomCost | null {
  const upTo = (e: number, at: number) => Math.round((graph.edges[e].hazardScore * at) / graph.edges[e].need)
  const farOf = (e: number, node: number) => (graph.edges[e].a === node ? graph.edges[e].b : graph.edges[e].a)
  const open = (e: number, node: number) =>
    graph.edges[e].barred === null && (graph.edges[e].a === node || graph.edges[e].b === node)
  const ways = new Map<string, { edges: number[]; need: number; hazardScore: number; work: number }[]>()
  const waysFrom = (node: number, target: number) => {
    const known = ways.get(`${node} ${target}`)
    if (known) return known
    const found: { edges: number[]; need: number; hazardScore: number; work: number }[] = []
    const walk = (at: number, edges: number[], seen: number[]) => {
      if (at === target) {
        const sum = (of: 'need' | 'hazardScore' | 'work') => edges.reduce((total, e) => total + graph.edges[e][of], 0)
        found.push({ edges, need: sum('need'), hazardScore: sum('hazardScore'), work: sum('work') })
        return
      }
      graph.edges.forEach((_, e) => {
        if (open(e, at) && !seen.includes(farOf(e, at))) walk(farOf(e, at), [...edges, e], [...seen, farOf(e, at)])
      })
    }
    walk(node, [], [node])
    ways.set(`${node} ${target}`, found)
    return found
  }
  const offersAt = (branch: WiredBranch, steps: Step[], length: number): Offer[] => {
    const whole = { ...branch, area: 0, routes: { ways: [], leastDose: new Float64Array() } }
    const lie = (edge: number, from: number, to: number): Lie => ({ edge, from, to, wires: branch.wires })
    const offer = (node: number, more?: { lie: Lie; need: number; hazardScore: number; work: number }): Offer[] =>
      waysFrom(node, branch.target).map((way) => ({
        cost: costOfWay(whole, {
          need: way.need + (more?.need ?? 0),
          hazardScore: way.hazardScore + (more?.hazardScore ?? 0),
          work: way.work + (more?.work ?? 0),
          label: null,
          onEdge: null,
        } as BranchWay),
        lies: [...(more ? [more.lie] : []), ...way.edges.map((e) => lie(e, 0, graph.edges[e].need))],
      }))
    const at = Math.min(branch.breakOut, length)
    let run = 0
    let node = start
    for (const step of steps) {
      if (at <= run) return offer(node)
      const edge = graph.edges[step.edge]
      const along = at - run
      if (along < edge.need && along <= step.used) {
        const fromA = edge.a === step.from ? along : edge.need - along
        const past = fromA * 2 > edge.need
        const back = { need: fromA, hazardScore: upTo(step.edge, fromA), work: past ? edge.work : 0 }
        const on = {
          need: edge.need - fromA,
          hazardScore: edge.hazardScore - upTo(step.edge, fromA),
          work: past ? 0 : edge.work,
        }
        return [
          ...offer(edge.a, { lie: lie(step.edge, 0, fromA), ...back }),
          ...offer(edge.b, { lie: lie(step.edge, fromA, edge.need), ...on }),
        ]
      }
      run += step.used
      node = farOf(step.edge, step.from)
    }
    return offer(node)
  }
  const fits = (lies: readonly Lie[]) =>
    graph.edges.every((edge, e) => {
      const here = lies.filter((item) => item.edge === e && item.to - item.from > 1e-6)
      const cuts = [...new Set(here.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
      return cuts.slice(1).every((to, i) => {
        const middle = (to + cuts[i]) / 2
        return (
          circleMm2(here.filter((item) => item.from < middle && middle < item.to).flatMap((item) => item.wires)) <=
          edge.free
        )
      })
    })
  interface Step {
    edge: number
    from: number
    used: number
  }
  let best: LoomCost | null = null
  const steps: Step[] = []
  const price = () => {
    let cost = noCost
    let length = 0
    const trunkLies: Lie[] = []
    for (const step of steps) {
      const edge = graph.edges[step.edge]
      const forward = edge.a === step.from
      const hazardScore = forward
        ? upTo(step.edge, step.used)
        : edge.hazardScore - upTo(step.edge, edge.need - step.used)
      cost = plus(cost, [0, 0, 0, 0, hazardScore, step.used * 2 > edge.need ? edge.work : 0, step.used])
      for (const branch of branches) {
        const out = Math.min(step.used, branch.breakOut - length)
        if (out <= 0) continue
        trunkLies.push({
          edge: step.edge,
          ...(forward ? { from: 0, to: out } : { from: edge.need - out, to: edge.need }),
          wires: branch.wires,
        })
      }
      length += step.used
    }
    const choose = (i: number, sum: LoomCost, lies: Lie[]) => {
      if (best && !lessCost(sum, best)) return
      if (!fits(lies)) return
      if (i === branches.length) {
        best = sum
        return
      }
      for (const offer of offersAt(branches[i], steps, length))
        choose(i + 1, plus(sum, offer.cost), [...lies, ...offer.lies])
    }
    choose(0, cost, trunkLies)
  }
  const walk = (node: number, used: number, seen: number[]) => {
    price()
    if (used >= trunkLength) return
    graph.edges.forEach((edge, e) => {
      if (!open(e, node) || seen.includes(farOf(e, node))) return
      const part = Math.min(edge.need, trunkLength - used)
      steps.push({ edge: e, from: node, used: part })
      if (part === edge.need) walk(farOf(e, node), used + part, [...seen, farOf(e, node)])
      else price()
      steps.pop()
    })
  }
  walk(start, 0, [start])
  return best
}
