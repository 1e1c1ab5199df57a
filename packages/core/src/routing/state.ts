import type { Machine, PassageId, PlaceId, PlaceUse, LoomPartId } from '../dossiers/index.ts'
import type { Decided, Done } from '../journal/index.ts'
import { placesFor, type FarPlaces } from './loomEnds.ts'
import { mountPractices, type MountPractice } from './mountPractices.ts'

/** When the loom is tied. */
export const tiePractices = ['loose while fitting, tied at the end', 'each branch as it is laid'] as const
export type TiePractice = (typeof tiePractices)[number]

export const tieReasons: Record<TiePractice, string> = {
  'loose while fitting, tied at the end': 'Every connection is checked before the last tie goes on.',
  'each branch as it is laid': 'What is tied stays where it was laid; a mistake costs the tie again.',
}

/** What hangs on a lead of its own. */
export const farUses = ['dial', 'sensor', 'switch'] as const satisfies readonly PlaceUse[]
export type FarUse = (typeof farUses)[number]

/** What has been decided about where things go. */
export interface RouteDecisions extends ModuleDecisions {
  mounting?: Decided<MountPractice>
  tying?: Decided<TiePractice>
  far: Partial<Record<FarUse, Decided<PlaceId>>>
  /** Of a job with several kits: where the module of each goes, by its key. */
  kits?: Record<string, ModuleDecisions>
}

/** Where one module goes. */
export interface ModuleDecisions {
  mountPlace?: Decided<PlaceId>
  /** Where it was last held or fixed, as long as nobody has decided on another place since. */
  held?: Decided<PlaceId>
}

/** A module that is held to a place, or fixed there. */
export type Mounted = Done & { place: PlaceId; trial: boolean }

/** Where the loom and the module really are. */
export interface RouteState {
  /** By part: the trunk, or an end. */
  routes: Record<LoomPartId, Done & { passages: PassageId[] }>
  mounted: Mounted | null
  /** Of a job with several kits, by the key of each. */
  mountedOf: Record<string, Mounted>
  ties: Record<PassageId, Done>
  decided: RouteDecisions
}

export function freshRoute(): RouteState {
  return { routes: {}, mounted: null, mountedOf: {}, ties: {}, decided: { far: {} } }
}

type Chosen = Pick<RouteState, 'decided'>

export function mountPracticeOf(state?: Chosen): MountPractice {
  return state?.decided.mounting?.value ?? mountPractices[0]
}

export function tiePracticeOf(state?: Chosen): TiePractice {
  return state?.decided.tying?.value ?? tiePractices[0]
}

/** Places chosen for what hangs on leads of its own; the machine's first one where nothing was chosen. */
export function farPlacesOf(machine: Machine, state?: Chosen): FarPlaces {
  return Object.fromEntries(
    farUses.flatMap((use) => {
      const places = placesFor(machine, use)
      const chosen = places.find((place) => place.id === state?.decided.far[use]?.value) ?? places[0]
      return chosen ? [[use, chosen.id]] : []
    }),
  )
}
