import {
  feedOptions,
  groundPlaces,
  supplyLine,
  type FeedOption,
  type GroundPlace,
  type SupplyLine,
} from '../electrical/index.ts'
import { planRoutes, type RankedPlace, type RouteOptions, type RoutePlan } from '../routing/index.ts'
import { success, type Outcome } from '../shared/index.ts'
import { mountPlaceOf } from './accessChoices.ts'
import type { JobDossiers, JobState } from './model.ts'
import { planOf } from './planOf.ts'
import { farPlacesOf, groundSchoolOf, mountSchoolOf, powerSchoolOf } from './routeChoices.ts'

type Chosen = Pick<JobState, 'choices'>

/** Nodes of the trunk's search at which a screen takes the best found so far. */
const quickNodes = 3000

function cachedBy<T>(make: (dossiers: JobDossiers, state: Chosen) => T): (dossiers: JobDossiers, state: Chosen) => T {
  const cache = new WeakMap<JobDossiers, Map<string, T>>()
  return (dossiers, state) => {
    const known = cache.get(dossiers) ?? new Map<string, T>()
    cache.set(dossiers, known)
    const key = JSON.stringify(Object.entries(state.choices).map(([choice, { value }]) => [choice, value]))
    const found = known.get(key) ?? make(dossiers, state)
    known.set(key, found)
    return found
  }
}

const hasPassages = ({ machine }: JobDossiers) => (machine.passages?.length ?? 0) > 0

/** What a job has decided about its loom. */
function routeOptions(dossiers: JobDossiers, state: Chosen): RouteOptions {
  return {
    matches: planOf(dossiers, state),
    far: farPlacesOf(dossiers.machine, state),
    school: mountSchoolOf(state),
    limit: quickNodes,
  }
}

/** The loom laid from every mount place, best first by the shop's school; null for a machine without passages. */
export const routesOf = cachedBy((dossiers, state): Outcome<RoutePlan> | null => {
  const { machine, kit } = dossiers
  return hasPassages(dossiers) ? planRoutes(machine, kit, routeOptions(dossiers, state)) : null
})

/** The loom laid from the place the module goes to, that place alone; null for a machine without passages. */
export const plannedRoute = cachedBy((dossiers, state): Outcome<RankedPlace> | null => {
  const { machine, kit } = dossiers
  const place = mountPlaceOf(dossiers, state)
  if (!hasPassages(dossiers) || !place) return null
  const plan = planRoutes(machine, kit, { ...routeOptions(dossiers, state), placeId: place.id })
  return plan.ok ? success(plan.value.places[0]) : plan
})

/** The loom as it is to lie; null where that cannot be planned. */
export function plannedLoom(dossiers: JobDossiers, state: Chosen): RankedPlace | null {
  const route = plannedRoute(dossiers, state)
  return route?.ok ? route.value : null
}

export interface JobElectrics {
  feeds: FeedOption[]
  line: SupplyLine
  grounds: GroundPlace[]
}

/** Feeds, grounds and the way of the current for a job's plan, schools and route. */
export const electricsOf = cachedBy((dossiers, state): JobElectrics => {
  const { machine, kit } = dossiers
  const plan = planOf(dossiers, state)
  const loom = plannedLoom(dossiers, state)
  const extensions = new Map((loom?.branches ?? []).map((branch) => [branch.end.id, branch.extensionM]))
  return {
    feeds: feedOptions(machine, kit, plan, powerSchoolOf(state)),
    line: supplyLine(machine, kit, plan, extensions),
    grounds: groundPlaces(machine, kit, plan, groundSchoolOf(state)),
  }
})

/** Passages the planned loom lies in, the trunk's first. */
export function plannedPassages(loom: RankedPlace): { part: string; passages: string[] }[] {
  return [
    { part: 'trunk', passages: loom.trunk.stretches.map((stretch) => stretch.passage) },
    ...loom.branches.map((branch) => ({
      part: branch.end.id,
      passages: branch.stretches.map((stretch) => stretch.passage),
    })),
  ]
}

/** Passages something of the loom lies in: as built where that is written down, else as planned. */
export function loomPassages(dossiers: JobDossiers, state: Pick<JobState, 'choices' | 'routes'>): string[] {
  const loom = plannedLoom(dossiers, state)
  if (!loom) return []
  return [...new Set(plannedPassages(loom).flatMap(({ part, passages }) => state.routes[part]?.passages ?? passages))]
}
