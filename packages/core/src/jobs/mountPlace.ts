import { connectionPlan } from '../wiring/index.ts'
import { type Decisions, type JobDossiers, type JobState, nothingDecided } from './state.ts'
import type { MountPlace } from '../dossiers/index.ts'
import {
  farPlacesOf,
  mountPracticeOf,
  placesFor,
  planRoutes,
  type RouteOptions,
  type RoutePlan,
} from '../routing/index.ts'
import { perPair, type Outcome } from '../shared/index.ts'

type Chosen = Pick<JobState, 'decided'>
const nothingChosen: Chosen = { decided: nothingDecided }

/** Nodes of the trunk's search at which a screen takes the best found so far. */
const quickNodes = 3000

/** What is worked out once for a machine, a kit and each set of the decisions it hangs on. */
export function cachedBy<T>(
  name: string,
  matters: (decided: Decisions) => unknown,
  make: (dossiers: JobDossiers, state: Chosen) => T,
): (dossiers: JobDossiers, state: Chosen) => T {
  const known = perPair<T>(name)
  return (dossiers, state) => known(dossiers, JSON.stringify(matters(state.decided)), () => make(dossiers, state))
}

const valuesOf = (answers: Readonly<Record<string, { value: unknown } | undefined>>) =>
  Object.entries(answers).map(([of, answer]) => [of, answer?.value])

/** Decisions that move places: those of ends, of what hangs on leads, and the shop's way of mounting. */
const movesPlaces = ({ places, far, mounting }: Decisions) => [valuesOf(places), valuesOf(far), mounting?.value]
/** Decisions that move the loom. */
export const movesLoom = (decided: Decisions) => [movesPlaces(decided), (decided.held ?? decided.mountPlace)?.value]

/** What a job has decided about its loom. */
export function routeOptions(dossiers: JobDossiers, state: Chosen): RouteOptions {
  return {
    matches: connectionPlan(dossiers, state),
    far: farPlacesOf(dossiers.machine, state),
    school: mountPracticeOf(state),
    limit: quickNodes,
  }
}

export const hasPassages = ({ machine }: JobDossiers) => (machine.passages?.length ?? 0) > 0

/** The loom laid from every mount place, best first by the shop's practice; null for a machine without passages. */
export const routesOf = cachedBy('routes', movesPlaces, (dossiers, state): Outcome<RoutePlan> | null => {
  const { machine, kit } = dossiers
  return hasPassages(dossiers) ? planRoutes(machine, kit, routeOptions(dossiers, state)) : null
})

/**
 * Where the module sits, or is to sit: where it was held or fixed, unless another place was chosen since; else chosen by hand, else the best by the comparison of all places, else where the kit's sheet has it, else
 * the first place of the machine.
 */
export function mountPlaceOf(dossiers: JobDossiers, state: Chosen = nothingChosen): MountPlace | undefined {
  const { machine, kit } = dossiers
  const places = placesFor(machine, 'module')
  const { held, mountPlace } = state.decided
  const settled = places.find((place) => place.id === (held ?? mountPlace)?.value)
  if (settled) return settled
  const routes = routesOf(dossiers, state)
  const best = routes?.ok ? routes.value.places.find((place) => place.feasible) : undefined
  const sheet = kit.places?.find((item) => item.machine === machine.id)?.place
  return best?.place ?? places.find((place) => place.id === sheet) ?? places.at(0)
}

/** Why the module goes there, in one sentence. */
export function mountPlaceWhy(dossiers: JobDossiers, state: Chosen): string {
  const place = mountPlaceOf(dossiers, state)
  if (!place) return ''
  const routes = routesOf(dossiers, state)
  const ranked = routes?.ok ? routes.value.places : []
  const own = ranked.find((item) => item.place.id === place.id)
  const sheet = dossiers.kit.places?.find((item) => item.machine === dossiers.machine.id)?.place
  const onSheet = sheet === place.id ? " The kit's sheet has it there too." : ''
  if (!own) return sheet === place.id ? "The kit's sheet has it there." : 'The first place of this machine.'
  if (own.rank > 1) return own.lost
  const second = ranked.at(1)
  return `${second ? `Best of ${ranked.length}: ${second.lost.replace(/^[^:]+: /, '')}` : 'The only place written down.'}${onSheet}`
}
