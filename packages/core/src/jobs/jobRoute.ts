import type { PassageId, LoomPartId } from '../dossiers/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import type { Decisions, JobDossiers, JobState } from './state.ts'
import {
  feedOptions,
  feedPracticeOf,
  groundPlaces,
  groundPracticeOf,
  supplyLine,
  type FeedOption,
  type GroundPlace,
  type SupplyLine,
} from '../electrical/index.ts'
import { planRoutes, type RankedPlace, trunkPart } from '../routing/index.ts'
import { success, type Outcome } from '../shared/index.ts'
import { cachedBy, hasPassages, mountPlaceOf, movesLoom, routeOptions } from './mountPlace.ts'

type Chosen = Pick<JobState, 'decided'>

/** The loom laid from the place the module goes to, that place alone; null for a machine without passages. */
export const plannedRoute = cachedBy('route', movesLoom, (dossiers, state): Outcome<RankedPlace> | null => {
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

const movesSupply = (decided: Decisions) => [movesLoom(decided), decided.feeding?.value, decided.grounding?.value]

/** Feeds, grounds and the way of the current for a job's plan, practices and route. */
export const electricsOf = cachedBy('electrics', movesSupply, (dossiers, state): JobElectrics => {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const loom = plannedLoom(dossiers, state)
  const extensions = new Map((loom?.branches ?? []).map((branch) => [branch.end.id, branch.extensionM]))
  return {
    feeds: feedOptions(machine, kit, plan, feedPracticeOf(state)),
    line: supplyLine(machine, kit, plan, extensions),
    grounds: groundPlaces(machine, kit, plan, groundPracticeOf(state)),
  }
})

/** Passages the planned loom lies in, the trunk's first. */
export function plannedPassages(loom: RankedPlace): { part: LoomPartId; passages: PassageId[] }[] {
  return [
    { part: trunkPart, passages: loom.trunk.stretches.map((stretch) => stretch.passage) },
    ...loom.branches.map((branch) => ({
      part: branch.end.id,
      passages: branch.stretches.map((stretch) => stretch.passage),
    })),
  ]
}

/** Passages something of the loom lies in: as built where that is written down, else as planned. */
export function loomPassages(dossiers: JobDossiers, state: Pick<JobState, 'decided' | 'routes'>): PassageId[] {
  const loom = plannedLoom(dossiers, state)
  if (!loom) return []
  return [...new Set(plannedPassages(loom).flatMap(({ part, passages }) => state.routes[part]?.passages ?? passages))]
}
