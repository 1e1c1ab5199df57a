import { machineIndex, type Kit, type Machine, type MountPlace, type Passage } from '../dossiers/index.ts'
import { branchRoutes, type BranchRoutes, type WayLabel } from './branchRoutes.ts'
import { bundleAreaMm2 } from './bundles.ts'
import { bundleDose, hazardDose, passageTemperatureC, sleeveFor, type SleeveKind } from './hazards.ts'
import type { BranchFate, LaidLoom, LoomEnd, MetHazard, RoutedBranch, RoutedTrunk, Stretch } from './model.ts'
import { placeAgainst } from './placeAgainst.ts'
import { layShare, routeGraph, steeringSlackM, withinZoneM, type RouteEdge, type RouteGraph } from './routeGraph.ts'
import { bundlesOf, tiesOf } from './runBundles.ts'
import { searchTrunk, type BranchWay, type SearchBranch, type TrunkPath } from './trunkSearch.ts'

/** The trunk bends out of the module's plug and can be unplugged again, m. */
const exitM = 0.04
/** An extension is cut in such steps, and takes so much for its joint, m. */
const extensionStepM = 0.05
const tenths = (metres: number) => Math.round(metres * 1e4)

export interface LoomToLay {
  machine: Machine
  kit: Kit
  ends: readonly LoomEnd[]
  routes: ReadonlyMap<string, TargetRoutes>
}

interface TargetRoutes extends BranchRoutes {
  node: number
  /** From the point to the thing itself, m. */
  lastM: number
}

/** Where a thing of the machine is reached: its spot, or its zone's middle. */
export function nodeOfTarget(
  graph: RouteGraph,
  machine: Machine,
  target: { kind: 'connector' | 'stud' | 'place'; id: string },
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

/** Everything that is the same for all mount places: the ways from every point to each target. */
export function prepareLoom(machine: Machine, kit: Kit, ends: readonly LoomEnd[]): LoomToLay {
  const graph = routeGraph(machine)
  const routes = new Map<string, TargetRoutes>()
  for (const end of ends) {
    if (!end.target) continue
    const at = nodeOfTarget(graph, machine, end.target)
    if (!at) continue
    // A way longer than the branch is only ever taken where it is the shortest.
    const reach = tenths(end.branchM) - tenths(end.loopM + at.lastM)
    routes.set(end.id, { ...at, ...branchRoutes(graph, at.node, bundleAreaMm2(end.areasMm2), reach) })
  }
  return { machine, kit, ends, routes }
}

/** The loom laid from one place: the best way for its trunk and every branch. @param limit nodes of the search */
export function layLoom(loom: LoomToLay, place: MountPlace, limit = 6000): LaidLoom {
  const { machine, kit, ends, routes } = loom
  const graph = routeGraph(machine)
  const start = nodeOfTarget(graph, machine, { kind: 'place', id: place.id })?.node ?? 0
  const routed = ends.flatMap((end) => {
    const to = routes.get(end.id)
    return to ? [{ end, to }] : []
  })
  const branches = routed.map(({ end, to }): SearchBranch => ({
    breakOut: tenths(Math.max(0, end.breakOutM - exitM)),
    supplied: tenths(end.branchM),
    extra: tenths(end.loopM + to.lastM),
    never: end.never !== null,
    area: bundleAreaMm2(end.areasMm2),
    routes: to,
  }))
  const whole = {
    length: tenths(Math.max(0, kit.trunkM - exitM)),
    area: bundleAreaMm2(ends.flatMap((end) => end.areasMm2)),
  }
  const { path, exact } = searchTrunk(graph, start, whole, branches, limit)
  const trunk = trunkOf(graph, kit, path)
  const laid = routed.map(({ end, to }, i) => branchOf(graph, machine, end, to, branches[i], path.ways[i]))
  const missing = ends
    .filter((end) => end.far !== undefined && end.target === null)
    .map((end) => `No place on the machine is written down for the ${end.far}.`)
  const bundles = bundlesOf(graph, ends, trunk, laid)
  const used = new Set([trunk, ...laid].flatMap((part) => part.stretches.map((stretch) => stretch.passage)))
  const against = [
    ...placeAgainst(place, kit),
    ...missing,
    ...laid.flatMap((branch) => againstBranch(branch)),
    ...bundles.flatMap((bundle) =>
      bundle.over
        ? [
            `${bundle.name}: the bundle takes ${Math.round(bundle.areaMm2)} mm², ${Math.round(bundle.freeMm2 ?? 0)} mm² are free.`,
          ]
        : [],
    ),
  ]
  return {
    place,
    ends,
    trunk,
    branches: laid,
    bundles,
    ties: tiesOf(graph, trunk, laid),
    against,
    extensions: laid.filter((branch) => branch.extensionM > 0).length,
    extensionM: round(laid.reduce((sum, branch) => sum + branch.extensionM, 0)),
    ...bundleDangers(graph, [trunk, ...laid]),
    workMin: graph.edges.reduce((sum, edge) => sum + (used.has(edge.passage.id) ? edge.work / 100 : 0), 0),
    exact,
  }
}

/** What the loom as one bundle meets: a branch beside others in a passage adds nothing to it. */
function bundleDangers(
  graph: RouteGraph,
  parts: readonly { stretches: Stretch[] }[],
): Pick<LaidLoom, 'dose' | 'dangers'> {
  const lying = new Map<string, [number, number][]>()
  for (const { passage, from, to } of parts.flatMap((part) => part.stretches))
    if (Math.abs(to - from) > 1e-6)
      lying.set(passage, [...(lying.get(passage) ?? []), [Math.min(from, to), Math.max(from, to)]])
  let dose = 0
  const dangers: LaidLoom['dangers'] = {}
  for (const [id, intervals] of lying) {
    const edge = edgeOf(graph, id)
    dose += bundleDose(edge.passage, edge.length.lengthM, edge.airC, covered(intervals))
    for (const { kind } of edge.passage.hazards) dangers[kind] = (dangers[kind] ?? 0) + 1
  }
  return { dose: round(dose), dangers }
}

/** Length of the union of intervals. */
function covered(intervals: readonly [number, number][]): number {
  let reached = -Infinity
  let sum = 0
  for (const [from, to] of [...intervals].sort((a, b) => a[0] - b[0])) {
    sum += Math.max(0, to - Math.max(from, reached))
    reached = Math.max(reached, to)
  }
  return sum
}

function againstBranch(branch: RoutedBranch): string[] {
  if (branch.fate === 'never')
    return [
      `${branch.end.name} is ${Math.round(-branch.spareM * 1000)} mm short, and ${branch.end.never ?? 'it cannot be lengthened'}.`,
    ]
  if (branch.fate === 'unreachable')
    return [`No passage leads to ${branch.end.target?.name ?? branch.end.name} with room for ${branch.end.name}.`]
  return []
}

const round = (metres: number) => Math.round(metres * 1e4) / 1e4

/** A length of loom as a share of an edge's own length; slack lies in its middle and does not count as way. */
function shareOf(edge: RouteEdge, need: number): number {
  return Math.min(1, Math.max(0, need / edge.need))
}

function trunkOf(graph: RouteGraph, kit: Kit, path: TrunkPath): RoutedTrunk {
  const stretches = path.steps.map(({ edge, from, used }): Stretch => {
    const { passage, a } = graph.edges[edge]
    const share = shareOf(graph.edges[edge], used)
    return from === a ? { passage: passage.id, from: 0, to: share } : { passage: passage.id, from: 1, to: 1 - share }
  })
  return {
    stretches,
    ...alongOf(graph, stretches),
    leftM: round(Math.max(0, kit.trunkM - exitM - path.length / 1e4)),
    steering: stretches.some((stretch) => passageOf(graph, stretch.passage).steering !== undefined),
  }
}

/** Length, hazards and sleeve of what lies along stretches. */
export function alongOf(graph: RouteGraph, stretches: readonly Stretch[]) {
  let lengthM = 0
  let dose = 0
  let work = 0
  let warmest = 0
  const hazards: MetHazard[] = []
  for (const stretch of stretches) {
    const edge = edgeOf(graph, stretch.passage)
    const share = Math.abs(stretch.to - stretch.from)
    if (share < 1e-6) continue
    lengthM += edge.length.lengthM * share
    dose += hazardDose(edge.passage, edge.length.lengthM, edge.airC) * share
    if (Math.min(stretch.from, stretch.to) <= 0.5 && Math.max(stretch.from, stretch.to) > 0.5) work += edge.work / 100
    warmest = Math.max(warmest, passageTemperatureC(edge.passage, edge.airC))
    for (const hazard of edge.passage.hazards)
      hazards.push({ passage: edge.passage.id, name: edge.passage.name, hazard, airC: edge.airC })
  }
  const sleeve: SleeveKind = sleeveFor(warmest) ?? 'reflecting'
  return { lengthM: round(lengthM), dose: round(dose), workMin: round(work), hazards, sleeve }
}

function edgeOf(graph: RouteGraph, id: string): RouteEdge {
  const edge = graph.edges.find((candidate) => candidate.passage.id === id)
  if (!edge) throw new Error(`routing: passage "${id}" is not on this machine`)
  return edge
}

function passageOf(graph: RouteGraph, id: string): Passage {
  return edgeOf(graph, id).passage
}

function stretchesOf(graph: RouteGraph, way: BranchWay, to: number): Stretch[] {
  const found: Stretch[] = []
  if (way.onEdge) {
    const edge = graph.edges[way.onEdge.edge]
    found.push({
      passage: edge.passage.id,
      from: shareOf(edge, way.onEdge.from),
      to: shareOf(edge, way.onEdge.to),
    })
  }
  const walked: RouteEdge[] = []
  for (let label: WayLabel | null = way.label; label && label.edge >= 0; label = label.next)
    walked.push(graph.edges[label.edge])
  // Walked back from the target, whose node is known, every edge has its direction.
  const tail: Stretch[] = []
  let node = to
  for (const edge of walked.reverse()) {
    const forward = edge.b === node
    tail.unshift({ passage: edge.passage.id, from: forward ? 0 : 1, to: forward ? 1 : 0 })
    node = forward ? edge.a : edge.b
  }
  return [...found, ...tail]
}

function branchOf(
  graph: RouteGraph,
  machine: Machine,
  end: LoomEnd,
  to: TargetRoutes,
  search: SearchBranch,
  way: BranchWay,
): RoutedBranch {
  if (!way.label)
    return {
      end,
      fate: 'unreachable',
      stretches: [],
      lengthM: 0,
      lastM: 0,
      needM: 0,
      spareM: 0,
      extensionM: 0,
      dose: 0,
      workMin: 0,
      hazards: [],
      sleeve: 'plain',
      estimated: false,
    }
  const stretches = stretchesOf(graph, way, to.node)
  const along = alongOf(graph, stretches)
  const needM = round((way.need + search.extra) / 1e4)
  const spareM = round(end.branchM - needM)
  const fate: BranchFate = spareM >= 0 ? 'reaches' : end.never !== null ? 'never' : 'extend'
  const crossing = stretches.find((stretch) => passageOf(graph, stretch.passage).steering !== undefined)
  const swingM = steeringSlackM(machine)
  return {
    end,
    fate,
    stretches,
    ...along,
    lengthM: round(along.lengthM + to.lastM),
    lastM: to.lastM,
    needM,
    spareM,
    extensionM: fate === 'extend' ? round((Math.ceil((-spareM - 1e-9) / extensionStepM) + 1) * extensionStepM) : 0,
    ...(crossing && machine.steering
      ? {
          steering: {
            passage: crossing.passage,
            lockDeg: machine.steering.lockDeg,
            straightM: round(spareM + swingM),
            pulledM: spareM,
            looseM: round(spareM + 2 * swingM),
          },
        }
      : {}),
    estimated: to.lastM > 0 || stretches.some((stretch) => !edgeOf(graph, stretch.passage).length.measured),
  }
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
  return round(way + end.loopM + lastM * (1 + layShare))
}
