import type { CoverId, PassageId, PointId, SpotId, ZoneId } from './ids.ts'
import type { Minutes, WayTarget } from './accessModel.ts'

/** A point in the machine's own axes, m: from the front end, from the middle to the right, up from the ground. */
export interface PointAt {
  x: number
  y: number
  z: number
}

/**
 * A point a loom passes or ends at, finer than a zone. Zones are points too, at their middle; what is served by no spot is
 * reached from its zone's middle.
 */
export interface Spot {
  id: SpotId
  name: string
  at: PointAt
  /** Plugs, studs and mount places that are reached from here. */
  serves: Exclude<WayTarget, { zone: ZoneId }>[]
}

export const hazardKinds = ['hot', 'moving', 'pinch', 'sharp', 'wet', 'vibration', 'barred'] as const
export type HazardKind = (typeof hazardKinds)[number]

/** What a loom meets in a passage. */
export type Hazard =
  /** A surface of so many °C, so many mm away. */
  | { kind: 'hot'; surfaceC: number; clearMm: number; what: string }
  /** Something that moves by so much and takes the loom along. */
  | { kind: 'moving'; swingMm: number; what: string }
  /** Something that presses down when it is put back. */
  | { kind: 'pinch'; what: string }
  | { kind: 'sharp'; what: string }
  | { kind: 'wet' }
  | { kind: 'vibration' }
  /** Nothing is laid here, and why. */
  | { kind: 'barred'; what: string }

/** A wall that is passed. */
export interface Bulkhead {
  kind: 'factory grommet' | 'spare grommet' | 'new hole'
  minutes: Minutes
}

/** A stretch between two points along which a loom can lie. */
export interface Passage {
  id: PassageId
  name: string
  /** Zones or spots. */
  from: PointId
  to: PointId
  /** Measured along the way, m. Missing: straight from point to point and a sixth more, which is said. */
  lengthM?: number
  hazards: Hazard[]
  /** What is free for the loom at the narrowest place, mm². */
  freeMm2?: number
  bulkhead?: Bulkhead
  /** Crosses from the frame to what is steered, on this side of the steering head. */
  steering?: 'left' | 'right' | 'front'
  /** Covers that are off while something is laid here. Missing: what every way to its ends takes off. */
  under?: CoverId[]
  /** Corners between the ends, for the drawing. */
  via?: PointAt[]
}

/** How far what is steered takes a loom along. */
export interface Steering {
  /** From the steering axis to where the loom crosses, m. */
  radiusM: number
  /** From straight ahead to either stop, °. */
  lockDeg: number
}

/** What the machine's own electrics can give and take. */
export interface PowerFigures {
  /** All batteries together, Ah. */
  batteryAh: number
  /** Standing with the key off, mA. */
  idleMa: number
  /** After which time with the key off the control units sleep, min. */
  sleepMinutes: number
  /** Cold draw of pumps and control units as the key goes on, A. */
  primePeakA: number
  /** Lead-acid unless said. */
  chemistry?: 'lead' | 'lithium'
  /** What the alternator holds, V; wide where it is steered by load. */
  chargingV?: [number, number]
}
