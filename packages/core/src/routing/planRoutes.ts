import type { Kit, Machine } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { proposeMatches, type Match } from '../wiring/index.ts'
import { layLoom, prepareLoom } from './layLoom.ts'
import { nodeOfTarget } from './loomLengths.ts'
import { loomEnds, placesFor, type FarPlaces } from './loomEnds.ts'
import type { MountPractice } from './mountPractices.ts'
import { rankPlaces, type RankedPlace } from './rankPlaces.ts'
import { routeGaps, routeGraph } from './routeGraph.ts'

export interface RouteOptions {
  matches?: readonly Match[]
  /** Only this place. */
  placeId?: string
  far?: FarPlaces
  school?: MountPractice
  /** Nodes of the search per place. */
  limit?: number
}

export interface RoutePlan {
  places: RankedPlace[]
  /** What the dossier does not say about its passages. */
  gaps: Problem[]
  exact: boolean
}

/**
 * The loom of a kit laid from every mount place of a machine, best first.
 * @returns problems where nothing can be laid: no passages, no place, an unknown place, a branch without a length, and a target
 * that no passage leads to from any place
 */
export function planRoutes(machine: Machine, kit: Kit, options: RouteOptions = {}): Outcome<RoutePlan> {
  const { matches = proposeMatches(machine, kit), placeId, far, school = 'reachable without tools', limit } = options
  if (!machine.passages || machine.passages.length === 0)
    return failure({
      code: 'no-passages',
      path: 'machine.passages',
      message: `Where a loom can lie on the ${machine.model} is not written down. Add its passages with their lengths.`,
    })
  const all = placesFor(machine, 'module')
  const places = placeId === undefined ? all : all.filter((place) => place.id === placeId)
  if (places.length === 0)
    return failure({
      code: placeId === undefined ? 'no-place' : 'unknown-place',
      path: placeId === undefined ? 'machine.places' : 'placeId',
      message:
        placeId === undefined
          ? `No place for a module is written down on the ${machine.model}. Add one.`
          : `"${placeId}" is no place for a module on the ${machine.model}. It has: ${all.map((place) => place.id).join(', ') || 'none'}.`,
    })
  const ends = loomEnds(machine, kit, matches, far)
  if (!ends.ok) return ends
  const loom = prepareLoom(machine, kit, ends.value)
  const graph = routeGraph(machine)
  const lost = ends.value.filter((end) => {
    if (!end.target) return false
    const routes = loom.routes.get(end.id)
    return (
      !routes ||
      places.every((place) => {
        const at = nodeOfTarget(graph, machine, { kind: 'place', id: place.id })
        return !at || routes.ways[at.node].length === 0
      })
    )
  })
  if (lost.length > 0)
    return failure(
      ...lost.map((end): Problem => ({
        code: 'no-way',
        path: 'machine.passages',
        message: `No passage leads from ${places.length === 1 ? places[0].name : 'any mount place'} to ${end.target?.name ?? end.name} for ${end.name}. Join its zone to the others, or widen the passage.`,
      })),
    )
  const ranked = rankPlaces(
    machine,
    places.map((place) => layLoom(loom, place, limit)),
    school,
  )
  return success({ places: ranked, gaps: routeGaps(machine), exact: ranked.every((place) => place.exact) })
}
