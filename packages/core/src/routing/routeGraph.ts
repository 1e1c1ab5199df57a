import type { Machine, Passage, PointAt } from '../dossiers/index.ts'
import type { Problem } from '../shared/index.ts'
import { barredWhy, passageScore, passageAirC } from './hazards.ts'
import { passageLength, type PassageLength } from './passagePath.ts'

/** A loom does not lie straight: so much more than the way itself. */
export const layShare = 0.03
/** From the middle of a zone to a plug in it that has no spot of its own, m. */
export const withinZoneM = 0.06

export interface RouteNode {
  id: string
  name: string
  at?: PointAt
}

/** A passage with all its figures as whole numbers, so that sums compare exactly. */
export interface RouteEdge {
  passage: Passage
  a: number
  b: number
  length: PassageLength
  /** Loom it takes, with lay and slack, tenths of a mm. */
  need: number
  /** Thousandths of a point. */
  hazardScore: number
  /** Hundredths of a minute. */
  work: number
  /** mm²; infinite where nothing is said. */
  free: number
  barred: string | null
  /** As warm as the air gets here, °C. */
  airC: number
}

export interface RouteGraph {
  nodes: RouteNode[]
  edges: RouteEdge[]
  /** Edges at each node. */
  at: number[][]
  nodeOf: ReadonlyMap<string, number>
  /** `connector:id`, `stud:id`, `place:id` to the node of its spot. */
  servedAt: ReadonlyMap<string, number>
}

/** Slack for what moves, m: swing of moving parts, and the steering to either stop. */
export function slackM(machine: Pick<Machine, 'steering'>, passage: Passage): number {
  const swing = passage.hazards.reduce((sum, hazard) => sum + (hazard.kind === 'moving' ? hazard.swingMm / 1000 : 0), 0)
  return swing + (passage.steering ? steeringSlackM(machine) : 0)
}

/** Radius × lock angle, m: what a loom beside the steering head gives to the far stop, and hangs loose at the near one. */
export function steeringSlackM({ steering }: Pick<Machine, 'steering'>): number {
  return steering ? (steering.radiusM * steering.lockDeg * Math.PI) / 180 : 0
}

const graphs = new WeakMap<Machine, RouteGraph>()

/** The points and passages of a machine. Built once per document; the document is free of contradictions. */
export function routeGraph(machine: Machine): RouteGraph {
  const known = graphs.get(machine)
  if (known) return known
  const nodes: RouteNode[] = [
    ...machine.zones.map(({ id, name, at }) => ({ id, name, at })),
    ...(machine.spots ?? []).map(({ id, name, at }) => ({ id, name, at })),
  ]
  const nodeOf = new Map(nodes.map((node, i) => [node.id, i]))
  const edges = (machine.passages ?? []).flatMap((passage): RouteEdge[] => {
    const [a, b] = [nodeOf.get(passage.from), nodeOf.get(passage.to)]
    if (a === undefined || b === undefined || a === b) return []
    const length = passageLength(passage, nodes[a].at, nodes[b].at)
    if (!length) return []
    const airC = passageAirC(machine, passage)
    return [
      {
        passage,
        a,
        b,
        length,
        need: Math.max(1, Math.round((length.lengthM * (1 + layShare) + slackM(machine, passage)) * 1e4)),
        hazardScore: Math.round(passageScore(passage, length.lengthM, airC) * 1000),
        work: Math.round((passage.bulkhead?.minutes.likely ?? 0) * 100),
        free: passage.freeMm2 ?? Infinity,
        barred: barredWhy(passage, airC),
        airC,
      },
    ]
  })
  const at: number[][] = nodes.map(() => [])
  edges.forEach((edge, i) => {
    at[edge.a].push(i)
    at[edge.b].push(i)
  })
  const servedAt = new Map<string, number>()
  for (const spot of machine.spots ?? []) {
    const node = nodeOf.get(spot.id)
    if (node === undefined) continue
    for (const served of spot.serves)
      servedAt.set(
        'connector' in served
          ? `connector:${served.connector}`
          : 'stud' in served
            ? `stud:${served.stud}`
            : `place:${served.place}`,
        node,
      )
  }
  const graph = { nodes, edges, at, nodeOf, servedAt }
  graphs.set(machine, graph)
  return graph
}

/** Points that no passage joins to the rest, group by group, the largest left out. A barred passage says why. */
export function separateParts(graph: RouteGraph): RouteNode[][] {
  const seen = new Set<number>()
  const parts: RouteNode[][] = []
  graph.nodes.forEach((_, start) => {
    if (seen.has(start)) return
    const part: RouteNode[] = []
    const open = [start]
    seen.add(start)
    for (let node = open.pop(); node !== undefined; node = open.pop()) {
      part.push(graph.nodes[node])
      for (const e of graph.at[node]) {
        const edge = graph.edges[e]
        const next = edge.a === node ? edge.b : edge.a
        if (seen.has(next)) continue
        seen.add(next)
        open.push(next)
      }
    }
    parts.push(part)
  })
  const largest = parts.reduce((best, part) => (part.length > best.length ? part : best), parts[0] ?? [])
  return parts.filter((part) => part !== largest)
}

/** What a machine does not say about its passages, with path and remedy. */
export function routeGaps(machine: Machine): Problem[] {
  if (!machine.passages) return []
  const graph = routeGraph(machine)
  const separate = separateParts(graph).map((part): Problem => ({
    code: 'zones-apart',
    path: 'passages',
    message: `No passage leads from ${part.map((node) => node.name.toLowerCase()).join(', ')} to the rest of the machine. Add the passage a loom would take, or say why none is laid there.`,
  }))
  const unmeasured = machine.passages.flatMap((passage, i): Problem[] => {
    const known = graph.edges.find((edge) => edge.passage === passage)
    if (known) return []
    return [
      {
        code: 'length-unknown',
        path: `passages.${i}.lengthM`,
        message: `How long ${passage.name} is cannot be worked out: measure it, or say where its ends are.`,
      },
    ]
  })
  return [...separate, ...unmeasured]
}
