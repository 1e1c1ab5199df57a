import type { ConnectorId, CoverId, DrawnPartId, PlaceId, StudId, WayId, ZoneId } from './ids.ts'

export const driveKinds = ['hex socket', 'hex head', 'six-lobe', 'cross', 'slot'] as const
export type DriveKind = (typeof driveKinds)[number]

export const fastenerKinds = [
  'screw',
  'nut',
  'stud nut',
  'quarter-turn',
  'clamp',
  'clip',
  'peg',
  'latch',
  'strap',
  'spring',
  'plug',
  'hose',
  'coupling',
  'washer',
] as const
export type FastenerKind = (typeof fastenerKinds)[number]

/** What holds a cover. */
export interface Fastener {
  count: number
  kind: FastenerKind
  /** Metric thread, mm. */
  threadMm?: number
  lengthMm?: number
  /** Missing: opened by hand. `size` is across flats in mm, or the number of a six-lobe or cross. */
  drive?: { kind: DriveKind; size?: number }
  torqueNm?: number
  threadlock?: boolean
  note?: string
}

/** Three points of a time, min. Equal where only one figure is known. */
export interface Minutes {
  best: number
  likely: number
  worst: number
}

/**
 * A block in the machine's own axes, m: `x` from the front end rearwards, `y` from the middle to the right,
 * `z` up from the ground; the centre, then length, width and height.
 */
export interface Box {
  x: number
  y: number
  z: number
  length: number
  width: number
  height: number
}

/** Something that is in the way: a cover, a seat, a tank, a tray. */
export interface Cover {
  id: CoverId
  name: string
  box?: Box
  /** The drawn parts that come off with it; missing: those that carry its name. */
  parts?: DrawnPartId[]
  /** What must be off before this one can come off. */
  after: CoverId[]
  off: Minutes
  on: Minutes
  fasteners: Fastener[]
  /** Tools beyond those its fasteners need. */
  tools?: string[]
  /** Small things that come away with it and must go back. */
  saves: string[]
  /** Takes a second pair of hands. */
  helper?: boolean
  /** Must be back before the engine runs. */
  run?: boolean
  /** Waits until the machine is cold. */
  hot?: boolean
  /** A fuel line is opened for it. */
  opensFuel?: boolean
  /** What is put into openings while it is off, and comes out before it goes back. */
  stuffed?: string
  how?: string
  caution?: string
}

/** What a mount place offers. What is not known is not written, and is asked for where it matters. */
export interface PlaceFigures {
  /** Room for the module: length, width, height, mm. */
  roomMm?: [number, number, number]
  surface?: 'flat' | 'bracket' | 'tray' | 'strap'
  /** As warm as it gets, °C. */
  maxC?: number
  vibration?: 'low' | 'some' | 'high'
  wet?: boolean
  /** Not seen by a passer-by. */
  hidden?: boolean
  /** The module's lamp is seen without taking anything off. */
  lampSeen?: boolean
  /** Within the driver's view and reach. */
  dash?: boolean
}

/** What can sit at a place: the module itself, or what hangs on one of its leads. */
export const placeUses = ['module', 'dial', 'sensor', 'switch'] as const
export type PlaceUse = (typeof placeUses)[number]

/** A place where a module can sit, or a dial, a sensor, a switch of its own. */
export interface MountPlace extends PlaceFigures {
  id: PlaceId
  name: string
  zone: ZoneId
  place: string
  /** What it is for; missing: the module. */
  use?: PlaceUse
}

export const wayFroms = ['above', 'below', 'left', 'right', 'front', 'rear', 'inside'] as const
export type WayFrom = (typeof wayFroms)[number]

export type WayTarget = { zone: ZoneId } | { connector: ConnectorId } | { stud: StudId } | { place: PlaceId }

/** A plug, a stud or a mount place by its id. */
export type ThingId =
  | { kind: 'connector'; id: ConnectorId }
  | { kind: 'stud'; id: StudId }
  | { kind: 'place'; id: PlaceId }

/**
 * One way to reach something. A way to a zone holds for everything in it that has no way of its own.
 * Its minutes are those of the work at one plug, stud or place by this way, there and back.
 */
export interface AccessWay {
  id: WayId
  to: WayTarget
  from: WayFrom
  needs: CoverId[]
  minutes: Minutes
  helper?: boolean
  note?: string
  caution?: string
}

export const bodyForms = [
  'motorcycle',
  'quad',
  'side-by-side',
  'snow machine',
  'car',
  'pickup',
  'field machine',
] as const
export type BodyForm = (typeof bodyForms)[number]

/** Size of the machine, m, for drawing it and for the way around it. */
export interface Body {
  form: BodyForm
  lengthM: number
  widthM: number
  heightM: number
  wheelbaseM: number
  wheelM: number
  /** What of its drawing is otherwise than its class's list has it. */
  parts?: DrawnPartChange[]
}

/** A part of the drawing put elsewhere, of another size, or not there; m: to the rear, to the right, up. */
export interface DrawnPartChange {
  id: DrawnPartId
  dx?: number
  dy?: number
  dz?: number
  /** Times as large as on the list. */
  size?: number
  gone?: boolean
}

/** A time after which something may go on; nobody has to stand beside it. */
export interface Wait {
  minutes: number
  why: string
  /** Hot parts cool meanwhile: covers that are hot come off after it. */
  cools?: boolean
}
