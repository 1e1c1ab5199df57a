import { connectionPlan } from '../wiring/index.ts'
import { type Decisions, type JobDossiers, type JobState, nothingDecided } from './state.ts'
import { isJoined, type Kit, type KitMember, type MountPlace, type PlaceId } from '../dossiers/index.ts'
import {
  farPlacesOf,
  hasRoomFor,
  mountPracticeOf,
  placesFor,
  type RouteOptions,
  type RoutePlan,
} from '../routing/index.ts'
import { memberChosen, memberJobs, type MemberJob } from './members.ts'
import { planners } from './planners.ts'
import { perPair, perState, type Outcome } from '../shared/index.ts'

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
  // Several modules have no one place: each is asked for itself.
  if (isJoined(kit) || !hasPassages(dossiers)) return null
  return planners().planRoutes(machine, kit, routeOptions(dossiers, state))
})

/**
 * Where the module sits, or is to sit: where it was held or fixed, unless another place was chosen since; else chosen by hand, else the best by the comparison of all places, else where the kit's sheet has it, else
 * the first place of the machine. Of several kits the first has the choice, and each after it what the others leave room for; asked of all of
 * them together there is no one place ({@link mountPlacesOf}).
 */
export function mountPlaceOf(dossiers: JobDossiers, state: Chosen = nothingChosen): MountPlace | undefined {
  return isJoined(dossiers.kit) ? undefined : placeAlone(dossiers, state, () => true)
}

function placeAlone(
  dossiers: JobDossiers,
  state: Chosen,
  free: (place: MountPlace) => boolean,
): MountPlace | undefined {
  const { machine, kit } = dossiers
  // What has no loom is held in the hand and goes again.
  if (kit.ends.length === 0) return undefined
  const places = placesFor(machine, 'module')
  const { held, mountPlace } = state.decided
  const settled = places.find((place) => place.id === (held ?? mountPlace)?.value)
  if (settled) return settled
  const routes = routesOf(dossiers, state)
  const best = routes?.ok ? routes.value.places.find((place) => place.feasible && free(place.place)) : undefined
  const sheet = kit.places?.find((item) => item.machine === machine.id)?.place
  const open = places.filter(free)
  return best?.place ?? open.find((place) => place.id === sheet) ?? open.at(0) ?? places.at(0)
}

/** One module of a job and where it goes. */
export interface MemberPlace extends MemberJob {
  place: MountPlace | undefined
}

/** Where each module of a job goes: those with a place of their own first, then the others in the order of the kits where there is room. */
export function mountPlacesOf(dossiers: JobDossiers, state: Chosen = nothingChosen): MemberPlace[] {
  return placesOfMembers(dossiers, state)
}

const placesOfMembers = perState((dossiers: JobDossiers, state: Chosen): MemberPlace[] => {
  const jobs = memberJobs(dossiers)
  if (jobs.length === 1) return jobs.map((job) => ({ ...job, place: mountPlaceOf(job.dossiers, state) }))
  const chosen = jobs.map((job) => ({ job, own: memberChosen(dossiers, job.member, state) }))
  const taken = new Map<PlaceId, Kit[]>()
  const places = new Map<string, MountPlace | undefined>()
  const settledFirst = [...chosen].sort((a, b) => Number(isSettled(b.own)) - Number(isSettled(a.own)))
  for (const { job, own } of settledFirst) {
    const { kit } = job.dossiers
    const place = placeAlone(job.dossiers, own, (one) => hasRoomFor(one, [...(taken.get(one.id) ?? []), kit]))
    places.set(job.member.key, place)
    if (place) taken.set(place.id, [...(taken.get(place.id) ?? []), kit])
  }
  return jobs.map((job) => ({ ...job, place: places.get(job.member.key) }))
})

const isSettled = ({ decided }: Chosen) => decided.held !== undefined || decided.mountPlace !== undefined

/** Where the module of one kit of a job goes. */
export function placeOfMember(dossiers: JobDossiers, state: Chosen, { key }: KitMember): MountPlace | undefined {
  return mountPlacesOf(dossiers, state).find(({ member }) => member.key === key)?.place
}

/** Why the module goes there, in one sentence. @param place where it goes */
export function mountPlaceWhy(dossiers: JobDossiers, state: Chosen, place = mountPlaceOf(dossiers, state)): string {
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
