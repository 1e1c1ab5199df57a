import { type Kit, type Machine, type MountPlace, type Passage, type LoomPartId } from '../dossiers/index.ts'
import { branchRoutes, type BranchRoutes, type WayLabel } from './branchRoutes.ts'
import { bundleAreaMm2 } from './bundles.ts'
import { bundleScore, passageScore, passageTemperatureC, sleeveFor, type SleeveKind } from './hazards.ts'
import type { BranchReach, LaidLoom, LoomEnd, MetHazard, RoutedBranch, RoutedTrunk, Stretch } from './model.ts'
import { placeAgainst } from './placeAgainst.ts'
import { edgeOf, extensionFor, nodeOfTarget, toTenths } from './loomLengths.ts'
import { routeGraph, steeringSlackM, type RouteEdge, type RouteGraph } from './routeGraph.ts'
import { breakOutOf, bundlesOf, exitM, tiesOf, trunkPart, type LoomBundle } from './runBundles.ts'
import {
  lessCost,
  passingKey,
  searchTrunk,
  type BranchShut,
  type BranchWay,
  type SearchBranch,
  type TrunkPath,
} from './trunkSearch.ts'

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

/** A way longer than the branch is only ever taken where it is the shortest: so much loom there is, tenths of a mm. */
function reachOf(end: LoomEnd, lastM: number): number {
  return tenths(end.branchM) - tenths(end.loopM + lastM)
}

/** Everything that is the same for all mount places: the ways from every point to each target. */
export function prepareLoom(machine: Machine, kit: Kit, ends: readonly LoomEnd[]): LoomToLay {
  const graph = routeGraph(machine)
  const routes = new Map<string, TargetRoutes>()
  for (const end of ends) {
    if (!end.target) continue
    const at = nodeOfTarget(graph, machine, end.target)
    if (!at) continue
    const area = bundleAreaMm2(end.areasMm2)
    routes.set(end.id, { ...at, ...branchRoutes(graph, at.node, area, reachOf(end, at.lastM)) })
  }
  return { machine, kit, ends, routes }
}

/** What parts of the loom are kept out of. */
interface Shut {
  trunk: ReadonlySet<string>
  ends: ReadonlyMap<string, BranchShut>
}
const nothingShut: Shut = { trunk: new Set(), ends: new Map() }

/** The least way for trunk and branches with some kept out of some passages, and how thick they lie. */
interface Attempt {
  shut: Shut
  path: TrunkPath
  exact: boolean
  branches: SearchBranch[]
  bundles: LoomBundle[]
}

/** Ends that go somewhere, with the ways there. */
function routedEnds({ ends, routes }: LoomToLay): { end: LoomEnd; to: TargetRoutes }[] {
  return ends.flatMap((end) => {
    const to = routes.get(end.id)
    return to ? [{ end, to }] : []
  })
}

/** Looms tried with parts kept out of passages that are too narrow for all of them. */
const attempts = 12

/**
 * The best way for trunk and branches in which everything has room. Where parts of the least loom lie too thick in a passage, one of
 * them must keep out of it: each is tried, the least first, until nothing lies too thick. Where that never comes, the least loom as it
 * is, whose bundle is then said to be too thick.
 * @param limit nodes of each search
 * @param tries looms tried; beyond them the least as it is, not proven
 */
export function roomyLoom(loom: LoomToLay, graph: RouteGraph, start: number, limit: number, tries = attempts): Attempt {
  const { kit, ends } = loom
  const routed = routedEnds(loom)
  const areas = new Map<number, number>()
  const areaBeyond = (distance: number) => {
    const beyond = ends.filter((end) => breakOutOf(end) > distance)
    const known = areas.get(beyond.length) ?? bundleAreaMm2(beyond.flatMap((end) => end.areasMm2))
    areas.set(beyond.length, known)
    return known
  }
  const attempt = (shut: Shut): Attempt => {
    const branches = routed.map(({ end, to }): SearchBranch => {
      const out = shut.ends.get(end.id)
      const area = bundleAreaMm2(end.areasMm2)
      return {
        breakOut: breakOutOf(end),
        supplied: tenths(end.branchM),
        extra: tenths(end.loopM + to.lastM),
        never: end.never !== null,
        area,
        routes: out ? branchRoutes(graph, to.node, area, reachOf(end, to.lastM), out) : to,
        shut: out,
      }
    })
    const trunk = { length: tenths(Math.max(0, kit.trunkM - exitM)), areaBeyond, shut: shut.trunk }
    const { path, exact } = searchTrunk(graph, start, trunk, branches, limit)
    const bundles = bundlesOf(
      graph,
      ends,
      { stretches: trunkStretches(graph, path) },
      routed.map(({ end, to }, i) => ({ end, stretches: stretchesOf(graph, path.ways[i], to.node) })),
    )
    return { shut, path, exact, branches, bundles }
  }
  const first = attempt(nothingShut)
  const open = [first]
  const tried = new Set<string>()
  for (let best = open.pop(); best; best = open.pop()) {
    const over = best.bundles.find((bundle) => bundle.over)
    if (!over) return best
    for (const part of over.parts) {
      const shut = keptOut(graph, best, over, part)
      const key = shutKey(shut)
      if (tried.has(key)) continue
      if (tried.size >= tries) return { ...first, exact: false }
      tried.add(key)
      const next = attempt(shut)
      // What no longer reaches at all is no remedy.
      const [never, unreachable] = next.path.cost
      if (never <= first.path.cost[0] && unreachable <= first.path.cost[1]) open.push(next)
    }
    open.sort((x, y) => (lessCost(x.path.cost, y.path.cost) ? 1 : -1))
  }
  return first
}

/** The same with one part more kept out of where the bundle is too thick. */
function keptOut(graph: RouteGraph, { shut, path }: Attempt, over: LoomBundle, part: LoomPartId): Shut {
  const edge = graph.edges.findIndex(({ passage }) => passage.id === over.passage)
  if (part !== trunkPart) {
    const known = shut.ends.get(part)
    const at = Math.round(over.at * graph.edges[edge].need)
    const more = new Map(known).set(
      edge,
      [...new Set([...(known?.get(edge) ?? []), at])].sort((a, b) => a - b),
    )
    return { ...shut, ends: new Map(shut.ends).set(part, more) }
  }
  const step = path.steps.findIndex((item) => item.edge === edge)
  const after = path.steps.slice(0, step).reduce((sum, { used }) => sum + used, 0)
  return { ...shut, trunk: new Set([...shut.trunk, passingKey(edge, path.steps[step].from, after)]) }
}

function shutKey({ trunk, ends }: Shut): string {
  const ofEnds = [...ends].map(([end, edges]) => [end, [...edges].sort(([a], [b]) => a - b)] as const)
  return JSON.stringify([[...trunk].sort(), ofEnds.sort(([a], [b]) => (a < b ? -1 : 1))])
}

/** The loom laid from one place: the best way for its trunk and every branch. @param limit nodes of each search */
export function layLoom(loom: LoomToLay, place: MountPlace, limit = 6000): LaidLoom {
  const { machine, kit, ends } = loom
  const graph = routeGraph(machine)
  const start = nodeOfTarget(graph, machine, { kind: 'place', id: place.id })?.node ?? 0
  const { path, exact, branches, bundles } = roomyLoom(loom, graph, start, limit)
  const trunk = trunkOf(graph, kit, path)
  const laid = routedEnds(loom).map(({ end, to }, i) => branchOf(graph, machine, end, to, branches[i], path.ways[i]))
  const missing = ends
    .filter((end) => end.far !== undefined && end.target === null)
    .map((end) => `No place on the machine is written down for the ${end.far}.`)
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
    bundles: bundles.map(({ parts: _parts, at: _at, ...bundle }) => bundle),
    ties: tiesOf(graph, trunk, laid),
    against,
    extensions: laid.filter((branch) => branch.extensionM > 0).length,
    extensionM: toTenths(laid.reduce((sum, branch) => sum + branch.extensionM, 0)),
    ...bundleDangers(graph, [trunk, ...laid]),
    workMin: graph.edges.reduce((sum, edge) => sum + (used.has(edge.passage.id) ? edge.work / 100 : 0), 0),
    exact,
  }
}

/** What the loom as one bundle meets: a branch beside others in a passage adds nothing to it. */
function bundleDangers(
  graph: RouteGraph,
  parts: readonly { stretches: Stretch[] }[],
): Pick<LaidLoom, 'hazardScore' | 'dangers'> {
  const lying = new Map<string, [number, number][]>()
  for (const { passage, from, to } of parts.flatMap((part) => part.stretches))
    if (Math.abs(to - from) > 1e-6)
      lying.set(passage, [...(lying.get(passage) ?? []), [Math.min(from, to), Math.max(from, to)]])
  let hazardScore = 0
  const dangers: LaidLoom['dangers'] = {}
  for (const [id, intervals] of lying) {
    const edge = edgeOf(graph, id)
    hazardScore += bundleScore(edge.passage, edge.length.lengthM, edge.airC, covered(intervals))
    for (const { kind } of edge.passage.hazards) dangers[kind] = (dangers[kind] ?? 0) + 1
  }
  return { hazardScore: toTenths(hazardScore), dangers }
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
  if (branch.reach === 'never')
    return [
      `${branch.end.name} is ${Math.round(-branch.spareM * 1000)} mm short, and ${branch.end.never ?? 'it cannot be lengthened'}.`,
    ]
  if (branch.reach === 'unreachable')
    return [`No passage leads to ${branch.end.target?.name ?? branch.end.name} with room for ${branch.end.name}.`]
  return []
}

/** A length of loom as a share of an edge's own length; slack lies in its middle and does not count as way. */
function shareOf(edge: RouteEdge, need: number): number {
  return Math.min(1, Math.max(0, need / edge.need))
}

function trunkStretches(graph: RouteGraph, path: TrunkPath): Stretch[] {
  return path.steps.map(({ edge, from, used }): Stretch => {
    const { passage, a } = graph.edges[edge]
    const share = shareOf(graph.edges[edge], used)
    return from === a ? { passage: passage.id, from: 0, to: share } : { passage: passage.id, from: 1, to: 1 - share }
  })
}

function trunkOf(graph: RouteGraph, kit: Kit, path: TrunkPath): RoutedTrunk {
  const stretches = trunkStretches(graph, path)
  return {
    stretches,
    ...alongOf(graph, stretches),
    leftM: toTenths(Math.max(0, kit.trunkM - exitM - path.length / 1e4)),
    steering: stretches.some((stretch) => passageOf(graph, stretch.passage).steering !== undefined),
  }
}

/** Length, hazards and sleeve of what lies along stretches. */
export function alongOf(graph: RouteGraph, stretches: readonly Stretch[]) {
  let lengthM = 0
  let hazardScore = 0
  let work = 0
  let warmest = 0
  const hazards: MetHazard[] = []
  for (const stretch of stretches) {
    const edge = edgeOf(graph, stretch.passage)
    const share = Math.abs(stretch.to - stretch.from)
    if (share < 1e-6) continue
    lengthM += edge.length.lengthM * share
    hazardScore += passageScore(edge.passage, edge.length.lengthM, edge.airC) * share
    if (Math.min(stretch.from, stretch.to) <= 0.5 && Math.max(stretch.from, stretch.to) > 0.5) work += edge.work / 100
    warmest = Math.max(warmest, passageTemperatureC(edge.passage, edge.airC))
    for (const hazard of edge.passage.hazards)
      hazards.push({ passage: edge.passage.id, name: edge.passage.name, hazard, airC: edge.airC })
  }
  const sleeve: SleeveKind = sleeveFor(warmest) ?? 'reflecting'
  return { lengthM: toTenths(lengthM), hazardScore: toTenths(hazardScore), workMin: toTenths(work), hazards, sleeve }
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
      reach: 'unreachable',
      stretches: [],
      lengthM: 0,
      lastM: 0,
      needM: 0,
      spareM: 0,
      extensionM: 0,
      hazardScore: 0,
      workMin: 0,
      hazards: [],
      sleeve: 'plain',
      estimated: false,
    }
  const stretches = stretchesOf(graph, way, to.node)
  const along = alongOf(graph, stretches)
  const needM = toTenths((way.need + search.extra) / 1e4)
  const spareM = toTenths(end.branchM - needM)
  const reach: BranchReach = spareM >= 0 ? 'reaches' : end.never !== null ? 'never' : 'extend'
  const crossing = stretches.find((stretch) => passageOf(graph, stretch.passage).steering !== undefined)
  const swingM = steeringSlackM(machine)
  return {
    end,
    reach,
    stretches,
    ...along,
    lengthM: toTenths(along.lengthM + to.lastM),
    lastM: to.lastM,
    needM,
    spareM,
    extensionM: reach === 'extend' ? extensionFor(-spareM) : 0,
    ...(crossing && machine.steering
      ? {
          steering: {
            passage: crossing.passage,
            lockDeg: machine.steering.lockDeg,
            straightM: toTenths(spareM + swingM),
            pulledM: spareM,
            looseM: toTenths(spareM + 2 * swingM),
          },
        }
      : {}),
    estimated: to.lastM > 0 || stretches.some((stretch) => !edgeOf(graph, stretch.passage).length.measured),
  }
}
