import { machineIndex, type Machine, type ThingId } from '../dossiers/index.ts'
import type { LoomEnd, Stretch } from './model.ts'
import { layShare, routeGraph, withinZoneM, type RouteEdge, type RouteGraph } from './routeGraph.ts'

/** An extension is cut in such steps, and takes so much for its joint, m. */
const extensionStepM = 0.05

/** A length to a tenth of a millimetre, m. */
export const toTenths = (metres: number) => Math.round(metres * 1e4) / 1e4

/** Where a thing of the machine is reached: its spot, or its zone's middle. */
export function nodeOfTarget(
  graph: RouteGraph,
  machine: Machine,
  target: ThingId,
): { node: number; lastM: number } | null {
  const served = graph.servedAt.get(`${target.kind}:${target.id}`)
  if (served !== undefined) return { node: served, lastM: 0 }
  const { connectors, studs } = machineIndex(machine)
  const zone =
    target.kind === 'connector'
      ? connectors.get(target.id)?.zone
      : target.kind === 'stud'
        ? studs.get(target.id)?.zone
        : machine.places?.find((place) => place.id === target.id)?.zone
  const node = zone === undefined ? undefined : graph.nodeOf.get(zone)
  return node === undefined ? null : { node, lastM: withinZoneM }
}

/** What a lead that is so much short is extended by, with its joint, m. */
export function extensionFor(shortM: number): number {
  return toTenths((Math.ceil((shortM - 1e-9) / extensionStepM) + 1) * extensionStepM)
}

/** The edge of a passage. */
export function edgeOf(graph: RouteGraph, id: string): RouteEdge {
  const edge = graph.edges.find((candidate) => candidate.passage.id === id)
  if (!edge) throw new Error(`routing: passage "${id}" is not on this machine`)
  return edge
}

/** What a way of so many metres takes of a loom: lay, slack and loop, m. */
export function neededM(
  machine: Machine,
  stretches: readonly Stretch[],
  end: Pick<LoomEnd, 'loopM'>,
  lastM: number,
): number {
  const graph = routeGraph(machine)
  const way = stretches.reduce((sum, stretch) => {
    const edge = edgeOf(graph, stretch.passage)
    return sum + (edge.need / 1e4) * Math.abs(stretch.to - stretch.from)
  }, 0)
  return toTenths(way + end.loopM + lastM * (1 + layShare))
}
