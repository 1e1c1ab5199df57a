import type { MountPlace } from '../dossiers/index.ts'
import { placesFor, planRoutes, type RouteOptions, type RoutePlan } from '../routing/index.ts'
import type { Outcome } from '../shared/index.ts'
import type { JobDossiers, JobState } from './model.ts'
import { planOf } from './planOf.ts'
import { farPlacesOf, mountSchoolOf } from './routeChoices.ts'

type Chosen = Pick<JobState, 'choices'>
const nothingChosen: Chosen = { choices: {} }

/** Nodes of the trunk's search at which a screen takes the best found so far. */
const quickNodes = 3000

/** What is worked out once for each set of the choices it hangs on. */
export function cachedBy<T>(
  matters: (choice: string) => boolean,
  make: (dossiers: JobDossiers, state: Chosen) => T,
): (dossiers: JobDossiers, state: Chosen) => T {
  const cache = new WeakMap<JobDossiers, Map<string, T>>()
  return (dossiers, state) => {
    const known = cache.get(dossiers) ?? new Map<string, T>()
    cache.set(dossiers, known)
    const key = JSON.stringify(
      Object.entries(state.choices).flatMap(([choice, { value }]) => (matters(choice) ? [[choice, value]] : [])),
    )
    const found = known.get(key) ?? make(dossiers, state)
    known.set(key, found)
    return found
  }
}

/** Choices that move the loom: places of ends, of what hangs on leads, and the shop's way of mounting. */
export const movesLoom = (choice: string) => /^(place\.|far\.|mounting$|mount-place$)/.test(choice)
const movesPlaces = (choice: string) => movesLoom(choice) && choice !== 'mount-place'

/** What a job has decided about its loom. */
export function routeOptions(dossiers: JobDossiers, state: Chosen): RouteOptions {
  return {
    matches: planOf(dossiers, state),
    far: farPlacesOf(dossiers.machine, state),
    school: mountSchoolOf(state),
    limit: quickNodes,
  }
}

export const hasPassages = ({ machine }: JobDossiers) => (machine.passages?.length ?? 0) > 0

/** The loom laid from every mount place, best first by the shop's practice; null for a machine without passages. */
export const routesOf = cachedBy(movesPlaces, (dossiers, state): Outcome<RoutePlan> | null => {
  const { machine, kit } = dossiers
  return hasPassages(dossiers) ? planRoutes(machine, kit, routeOptions(dossiers, state)) : null
})

/**
 * Where the module is to sit: chosen by hand, else the best by the comparison of all places, else where the kit's sheet has it, else
 * the first place of the machine.
 */
export function mountPlaceOf(dossiers: JobDossiers, state: Chosen = nothingChosen): MountPlace | undefined {
  const { machine, kit } = dossiers
  const places = placesFor(machine, 'module')
  const chosen = places.find((place) => place.id === state.choices['mount-place']?.value)
  if (chosen) return chosen
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
