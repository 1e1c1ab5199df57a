import type { Hazard, HazardKind, KitEndId, MountPlace, PassageId, PlaceUse, ThingId } from '../dossiers/index.ts'
import type { SleeveKind } from './hazards.ts'

/** What a branch leads to. */
export type LoomTarget = { name: string } & ThingId

/** One branch of a loom with where it is to end. */
export interface LoomEnd {
  id: KitEndId
  tag: string
  name: string
  breakOutM: number
  branchM: number
  /** What it needs to spare at its plug, so that it can be pulled and mated, m. */
  loopM: number
  areasMm2: number[]
  /** Null: capped or closed, stays bundled at its break-out. */
  target: LoomTarget | null
  /** Why it is never made longer; null: an extension will do. */
  never: string | null
  /** What hangs on it and has a place of its own. */
  far?: Exclude<PlaceUse, 'module'>
}

/** A stretch of a passage that is used, as shares of it from its `from` end. */
export interface Stretch {
  passage: PassageId
  from: number
  to: number
}

/** A hazard on a way. */
export interface MetHazard {
  passage: PassageId
  name: string
  hazard: Hazard
  /** As warm as the air gets there, °C. */
  airC: number
}

export interface SteeringSlack {
  passage: PassageId
  lockDeg: number
  /** Straight ahead, beyond what the way itself needs, m. */
  straightM: number
  /** Left at the stop that pulls; below 0 it is too short there, m. */
  pulledM: number
  /** Hanging at the other stop, m. */
  looseM: number
}

export type BranchReach = 'reaches' | 'extend' | 'never' | 'unreachable'

export interface RoutedBranch {
  end: LoomEnd
  reach: BranchReach
  stretches: Stretch[]
  /** Along the way, m. */
  lengthM: number
  /** Of it from the last point to the thing itself, m. */
  lastM: number
  /** With lay, service loop and slack for what moves, m. */
  needM: number
  /** Supplied less needed, m. */
  spareM: number
  /** Length of extension, in steps of 50 mm with 50 mm for its joint; 0 where it reaches. */
  extensionM: number
  /** Points of hazard. */
  hazardScore: number
  /** Bulkhead work, min. */
  workMin: number
  hazards: MetHazard[]
  sleeve: SleeveKind
  steering?: SteeringSlack
  /** A length on the way is estimated, not measured. */
  estimated: boolean
}

export interface RoutedTrunk {
  stretches: Stretch[]
  lengthM: number
  /** Bundled at its end, m. */
  leftM: number
  hazardScore: number
  workMin: number
  hazards: MetHazard[]
  sleeve: SleeveKind
  steering: boolean
}

export interface PassageBundle {
  passage: PassageId
  name: string
  diameterMm: number
  areaMm2: number
  freeMm2: number | null
  sleeveMm: number | null
  over: boolean
}

/** A loom laid from one mount place. */
export interface LaidLoom {
  place: MountPlace
  /** Every branch of the loom, those that are capped too. */
  ends: readonly LoomEnd[]
  trunk: RoutedTrunk
  branches: RoutedBranch[]
  bundles: PassageBundle[]
  ties: { count: number; passages: { passage: PassageId; spacingMm: number; count: number }[] }
  /** Why the module cannot sit here or the loom cannot be laid from here; empty: it can. */
  against: string[]
  extensionM: number
  extensions: number
  /** Points of hazard of the whole bundle, each passage once; for ranking, not for showing. */
  hazardScore: number
  /** How many passages of the loom have each kind of danger. */
  dangers: Partial<Record<HazardKind, number>>
  /** Each bulkhead counted once, min. */
  workMin: number
  /** False: a better way for the trunk may have been missed. */
  exact: boolean
}
