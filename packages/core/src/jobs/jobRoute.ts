import {
  isJoined,
  joinedId,
  type LoomPartId,
  type Machine,
  type MountPlace,
  type PassageId,
} from '../dossiers/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import type { Decisions, JobDossiers, JobState } from './state.ts'
import { groundPlaces, groundPracticeOf, supplyLine, type GroundPlace, type SupplyLine } from '../electrical/index.ts'
import { bundleAreaMm2, type RankedPlace, trunkPart } from '../routing/index.ts'
import { perPair, perState, success, type Outcome } from '../shared/index.ts'
import { memberChosen } from './members.ts'
import {
  cachedBy,
  hasPassages,
  mountPlaceOf,
  mountPlacesOf,
  movesLoom,
  routeOptions,
  type MemberPlace,
} from './mountPlace.ts'
import { planners } from './planners.ts'

type Chosen = Pick<JobState, 'decided'>

/** The loom laid from the place the module goes to, that place alone; null for a machine without passages, and for several kits. */
export function plannedRoute(dossiers: JobDossiers, state: Chosen): Outcome<RankedPlace> | null {
  return routeFrom(dossiers, state, mountPlaceOf(dossiers, state))
}

/** The loom of one kit from a place. @param left passages in which other looms lie already, with the room that is left, mm² */
export function routeFrom(
  dossiers: JobDossiers,
  state: Chosen,
  place: MountPlace | undefined,
  left: readonly [PassageId, number][] = [],
): Outcome<RankedPlace> | null {
  if (isJoined(dossiers.kit) || !hasPassages(dossiers) || !place) return null
  const key = [movesLoom(state.decided), place.id, ...(left.length > 0 ? [left] : [])]
  return laidFrom(dossiers, JSON.stringify(key), () => {
    const machine = left.length > 0 ? narrowedTo(dossiers.machine, left) : dossiers.machine
    const plan = planners().planRoutes(machine, dossiers.kit, { ...routeOptions(dossiers, state), placeId: place.id })
    return plan.ok ? success(plan.value.places[0]) : plan
  })
}
const laidFrom = perPair<Outcome<RankedPlace>>('route')

/** One kit of a job with its loom as it is to lie. */
export interface MemberLoom extends MemberPlace {
  /** What was decided for it, in its own names. */
  own: Chosen
  route: Outcome<RankedPlace> | null
  /** Null where it cannot be planned. */
  loom: RankedPlace | null
}

/**
 * The looms of a job, one for each of its kits, each from where its module goes. What lies in a passage already, of kits that were there
 * before and of those before it in the job, narrows it for the next.
 */
export function plannedLooms(dossiers: JobDossiers, state: Chosen & Partial<Pick<JobState, 'routes'>>): MemberLoom[] {
  return loomsLaid(dossiers, state)
}

const loomsLaid = perState((dossiers: JobDossiers, state: Chosen & Partial<Pick<JobState, 'routes'>>) => {
  const taken = new Map<PassageId, number>()
  const members = mountPlacesOf(dossiers, state)
  return members.map((item): MemberLoom => {
    const own = memberChosen(dossiers, item.member, state)
    const route = routeFrom(item.dossiers, own, item.place, roomLeft(dossiers.machine, taken))
    const loom = route?.ok ? route.value : null
    if (loom && members.length > 1) takeRoom(taken, loom, item, state.routes ?? {})
    return { ...item, own, route, loom }
  })
})

/** Adds what a loom takes of each passage it lies in, mm²: as laid where that is written down, else as planned. */
function takeRoom(
  taken: Map<PassageId, number>,
  loom: RankedPlace,
  { member }: MemberPlace,
  routes: JobState['routes'],
): void {
  const wires = new Map<PassageId, number[]>()
  for (const { part, passages } of plannedPassages(loom)) {
    const branch = loom.branches.find(({ end }) => end.id === part)
    const own = branch ? branch.end.areasMm2 : loom.branches.flatMap(({ end }) => end.areasMm2)
    for (const passage of routes[joinedId(member.key, part)]?.passages ?? passages)
      wires.set(passage, [...(wires.get(passage) ?? []), ...own])
  }
  for (const [passage, areas] of wires) taken.set(passage, (taken.get(passage) ?? 0) + bundleAreaMm2(areas))
}

/** Passages whose room is written down, with what is left of it, mm². */
function roomLeft({ passages = [] }: Machine, taken: ReadonlyMap<PassageId, number>): [PassageId, number][] {
  return passages.flatMap(({ id, freeMm2 }): [PassageId, number][] => {
    const gone = taken.get(id)
    return freeMm2 === undefined || gone === undefined
      ? []
      : [[id, Math.max(0, Math.round((freeMm2 - gone) * 10) / 10)]]
  })
}

/** The machine with so much room left in its passages. */
function narrowedTo(machine: Machine, left: readonly [PassageId, number][]): Machine {
  const free = new Map(left)
  return {
    ...machine,
    passages: (machine.passages ?? []).map((passage) => {
      const freeMm2 = free.get(passage.id)
      return freeMm2 === undefined ? passage : { ...passage, freeMm2 }
    }),
  }
}

/** The loom as it is to lie; null where that cannot be planned. */
export function plannedLoom(dossiers: JobDossiers, state: Chosen): RankedPlace | null {
  const route = plannedRoute(dossiers, state)
  return route?.ok ? route.value : null
}

export interface JobElectrics {
  line: SupplyLine
  grounds: GroundPlace[]
}

const movesSupply = (decided: Decisions) => [movesLoom(decided), decided.grounding?.value]

/** Grounds and the way of the current for a job's plan, practices and route. */
export const electricsOf = cachedBy('electrics', movesSupply, (dossiers, state): JobElectrics => {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const loom = plannedLoom(dossiers, state)
  const extensions = new Map((loom?.branches ?? []).map((branch) => [branch.end.id, branch.extensionM]))
  return {
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
  return passagesOf(plannedLooms(dossiers, state), state)
}

/** The same of some of a job's looms. */
export function passagesOf(looms: readonly MemberLoom[], state: Pick<JobState, 'routes'>): PassageId[] {
  return [
    ...new Set(
      looms.flatMap(({ loom, member }) =>
        loom
          ? plannedPassages(loom).flatMap(
              ({ part, passages }) => state.routes[joinedId(member.key, part)]?.passages ?? passages,
            )
          : [],
      ),
    ),
  ]
}
