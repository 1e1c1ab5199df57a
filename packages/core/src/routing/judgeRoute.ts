import { type Machine, type PassageId } from '../dossiers/index.ts'
import {
  barredWhy,
  hazardRemedy,
  hazardWords,
  passageAirC,
  passageTemperatureC,
  sleeveFor,
  sleeveLimitsC,
  sleeveWords,
} from './hazards.ts'
import { neededM, nodeOfTarget } from './loomLengths.ts'
import type { LoomEnd, Stretch } from './model.ts'
import { routeGraph } from './routeGraph.ts'

export interface RouteAsked {
  planned: readonly Stretch[]
  /** Passages it really lies in; null: as planned. */
  built: readonly PassageId[] | null
  suppliedM: number
  loopM: number
  /** From the last point to the thing itself, m. */
  lastM: number
  /** Passages of the trunk, where a branch may begin. */
  from: readonly PassageId[]
  target: LoomEnd['target']
}

export interface JudgedRoute {
  needM: number
  spareM: number
  /** Other passages than planned, or fewer. */
  differs: boolean
  /** What it meets that the plan went round. */
  met: {
    passage: PassageId
    name: string
    what: string
    remedy: string
    rule: 'route-barred' | 'route-hot' | 'route-hazard'
  }[]
  /** Passages that join nothing else of it. */
  gaps: { passage: PassageId; says: string }[]
}

/** A way as it was laid against the plan: how much loom it takes, what it meets, where it does not hang together. */
export function judgeRoute(machine: Machine, asked: RouteAsked): JudgedRoute {
  const { planned, built } = asked
  const shares = new Map<string, Stretch>(planned.map((stretch) => [stretch.passage, stretch]))
  const passages = built ?? planned.map((stretch) => stretch.passage)
  const stretches = passages.map((passage): Stretch => shares.get(passage) ?? { passage, from: 0, to: 1 })
  const needM = neededM(machine, stretches, asked, asked.lastM)
  const byId = new Map((machine.passages ?? []).map((passage) => [passage.id, passage]))
  const met = passages.flatMap((id): JudgedRoute['met'] => {
    const passage = byId.get(id)
    if (!passage) return []
    const place = { passage: id, name: passage.name }
    const airC = passageAirC(machine, passage)
    const barred = barredWhy(passage, airC)
    if (barred !== null)
      return [{ ...place, what: barred, remedy: 'Take it out of there before anything else.', rule: 'route-barred' }]
    if (shares.has(id)) return []
    const warm = passageTemperatureC(passage, airC)
    const sleeve = sleeveFor(warm)
    return [
      ...(warm > sleeveLimitsC.plain && sleeve !== null
        ? [
            {
              ...place,
              what: `a loom takes ${Math.round(warm)} °C there`,
              remedy: `Lay it as planned, or put it into a ${sleeveWords[sleeve]}.`,
              rule: 'route-hot' as const,
            },
          ]
        : []),
      ...passage.hazards
        .filter((hazard) => hazard.kind === 'pinch' || hazard.kind === 'sharp' || hazard.kind === 'moving')
        .map((hazard) => ({
          ...place,
          what: hazardWords(hazard),
          remedy: hazardRemedy(hazard, airC),
          rule: 'route-hazard' as const,
        })),
    ]
  })
  return {
    needM,
    spareM: Math.round((asked.suppliedM - needM) * 1e4) / 1e4,
    differs: passages.length !== shares.size || passages.some((id) => !shares.has(id)),
    met,
    gaps: built === null ? [] : gapsOf(machine, asked, built),
  }
}

/** A branch hangs together from the trunk to its plug; the trunk in itself. */
function gapsOf(machine: Machine, { from, target }: RouteAsked, built: readonly PassageId[]): JudgedRoute['gaps'] {
  const graph = routeGraph(machine)
  const ends = new Map(graph.edges.map((edge) => [edge.passage.id, [edge.a, edge.b]]))
  const gaps: JudgedRoute['gaps'] = []
  const touch = (passage: PassageId, nodes: ReadonlySet<number>) =>
    (ends.get(passage) ?? []).some((node) => nodes.has(node))
  const reached = new Set<number>(from.flatMap((passage) => ends.get(passage) ?? []))
  if (reached.size === 0 && built.length > 0) for (const node of ends.get(built[0]) ?? []) reached.add(node)
  const left = [...built]
  for (let found = true; found;) {
    found = false
    for (const passage of [...left])
      if (touch(passage, reached)) {
        for (const node of ends.get(passage) ?? []) reached.add(node)
        left.splice(left.indexOf(passage), 1)
        found = true
      }
  }
  const nameOf = (id: string) => graph.edges.find((edge) => edge.passage.id === id)?.passage.name ?? id
  for (const passage of left) gaps.push({ passage, says: `"${nameOf(passage)}" joins nothing else of it.` })
  const end = target && nodeOfTarget(graph, machine, target)
  if (end && built.length > 0 && !reached.has(end.node)) {
    const { name } = target
    gaps.push({ passage: built[built.length - 1], says: `the way written down does not lead to ${name}.` })
  }
  return gaps
}
