import type {
  ConnectorId,
  CoverId,
  MachineId,
  NetId,
  SpliceId,
  StepId,
  StudId,
  VariantId,
  WireId,
  ZoneId,
} from './ids.ts'
import type { AccessWay, Body, Cover, Minutes, MountPlace, Wait, WayTarget } from './accessModel.ts'
import type { ColourName } from './colours.ts'
import type { Passage, PowerFigures, Spot, Steering } from './routeModel.ts'
import type { MeterReading, SignalRole, SignalSort } from './signals.ts'

export interface WireColour {
  base: ColourName
  stripe?: ColourName
}

export const outlines = ['rectangle', 'round', 'oval', 'd-shape'] as const
export const keys = ['none', 'flat', 'notch', 'two ribs', 'side rib'] as const

/** Outline and key of a shell, as felt and seen on the mating side. */
export interface Shell {
  family: string
  colour: ColourName
  outline: (typeof outlines)[number]
  key: (typeof keys)[number]
}

/** Place of a cavity on the face seen from the wire side, in tenths of the face's width and height from top left. */
export interface Cavity {
  number: number
  x: number
  y: number
  /** Closed with plastic: no terminal goes in. */
  blank?: boolean
  /** Two wires of one circuit are crimped into its terminal. */
  double?: boolean
  /** Empty, but the device behind it reads it: what for. */
  spare?: SignalRole
}

export const lockKinds = ['thumb tab', 'slide then press', 'squeeze', 'tang', 'bayonet', 'lever', 'none'] as const

export interface Lock {
  kind: (typeof lockKinds)[number]
  colour?: ColourName
  /** One sentence: how it opens. */
  opens: string
}

/** What a plug may sit on, as far as it matters to where current comes from and to what a meter shows. */
export const deviceRoles = [
  'fuse box',
  'relay',
  'ignition switch',
  'switch',
  'regulator',
  'instrument',
  'unit',
  'diagnostic socket',
  'accessory socket',
  'bus end',
  'device',
] as const
/** `unit` is a control unit that is none of the engine's; `device` any sensor or load. */
export type DeviceRole = (typeof deviceRoles)[number]

export const studRoles = ['battery positive', 'battery negative', 'starter', 'live', 'engine ground', 'ground'] as const
export type StudRole = (typeof studRoles)[number]

/** A plug of the factory loom with the device it sits on. `gender` is that of the loom's terminals. */
export interface Connector {
  id: ConnectorId
  name: string
  device: string
  zone: ZoneId
  /** Where a hand finds it, in words. */
  place: string
  shell: Shell
  gender: 'female' | 'male'
  cavities: Cavity[]
  lock: Lock
  /** Which way up it sits, in words, where its halves would nearly meet the wrong way round. */
  up?: string
  /** A plug of a control unit: signals start or end here. */
  ecu?: boolean
  /** What it sits on; without it, what its device is called says it. */
  role?: DeviceRole
  /** Its device ends the bus with 120 Ω. */
  endsBus?: boolean
  /** Cavities its device joins when it works, from and to: a fuse, the contact of a relay, a switch. */
  contacts?: [number, number][]
  /** The plug of another loom it is mated to: signals go on through it, cavity by cavity. */
  mates?: ConnectorId
}

/** One electrical node. */
export interface Net extends SignalSort {
  id: NetId
  name: string
  /** Current the circuit can give away, A. */
  spareA?: number
  /** The fuse of the machine that guards it, A. */
  fuseA?: number
  /** Driven by electronics that watch their load: takes neither a tap nor a relay coil. */
  electronic?: boolean
  /** Swings far above battery voltage: never pierced, never probed. */
  highVoltage?: boolean
  /** What a meter reads here when all is well, where it differs from general practice. */
  readings?: MeterReading[]
  /** Where it comes from, a stud or cavity of its own; without it, found by what its plugs sit on. */
  source?: Exclude<WirePlace, { splice: SpliceId }>
}

/** Where a wire ends. A splice is known by its name alone: all wires that end in it are one. */
export type WirePlace = { connector: ConnectorId; cavity: number } | { stud: StudId } | { splice: SpliceId }

export interface Wire {
  id: WireId
  net: NetId
  from: WirePlace
  to: WirePlace
  colour: WireColour
  areaMm2: number
}

export interface Stud {
  id: StudId
  name: string
  net: NetId
  zone: ZoneId
  place: string
  threadMm: number
  role?: StudRole
}

export interface Zone {
  id: ZoneId
  name: string
  /** What a joint must stand there. */
  conditions: ('hot' | 'wet' | 'vibration' | 'dry')[]
  /** Its middle in the machine's own axes, m: from the front end, from the middle to the right, up from the ground. */
  at?: { x: number; y: number; z: number }
  /** As warm as the air gets there under load, °C; without it the usual figure for such a place. */
  airC?: number
}

/** Stations of a job in working order. */
export const stations = [
  'take-in',
  'check-kit',
  'make-safe',
  'open-up',
  'lay-loom',
  'hook-up',
  'set-up',
  'wake',
  'tie-down',
  'close-up',
  'trim',
  'prove',
  'hand-back',
] as const
export type Station = (typeof stations)[number]

/** What a step proves: that a module has a hand on the engine, or that a pedal is safe. */
export const stepProofs = ['connection', 'mute', 'pedal', 'selector'] as const

export const stepMarks = ['route', 'mount', 'ties'] as const

/** What must be so before a step. */
export interface StepNeeds {
  /** The battery is on, or off. */
  power?: 'on' | 'off'
  /** The engine has not run since the loom was touched. */
  unstarted?: boolean
  /** The engine was shut off, to stay off until it is woken. */
  shutOff?: boolean
  /** Covers that are off. */
  covers?: CoverId[]
  /** What a hand must get at: everything in front of it is off. */
  reach?: Exclude<WayTarget, { zone: ZoneId }>[]
}

/** What a reading outside its range is: something to know, to mend, a stop, or one that nobody may lift. */
export const readingFaults = ['note', 'fix', 'stop', 'never'] as const
export type ReadingFault = (typeof readingFaults)[number]

/** One thing to do at a station. */
export interface Step {
  id: StepId
  station: Station
  text: string
  why?: string
  /** Stands beside the step and cannot be folded away. */
  caution?: string
  needs?: StepNeeds
  /** The battery is off, or on again, once this is done. */
  power?: 'off' | 'on'
  /** The engine runs in it; or it is shut off and stays so until it is woken. */
  engine?: 'runs' | 'off'
  /** Fuel pressure is let down: nothing runs the engine after it until the lines are closed again at set-up. */
  fuel?: 'down'
  /** Only where the plan opens a fuel line. */
  when?: 'fuel line opened'
  /** What this step asks to be measured, with its unit; out of range it is a finding (`fix` unless said). */
  reading?: { quantity: string; unit: string; low?: number; high?: number; off?: ReadingFault }
  /** What this step asks to be written down, in words; `told` is what the owner was told and who heard it, `question` one of take-in's. */
  asks?: { words: string; told?: boolean; question?: string }
  minutes?: Minutes
  /** Once it is done, what waits on it may go on only after this time. */
  wait?: Wait
  /** Steps that come before it, where the order of the list is not enough. */
  after?: StepId[]
  /** What this step settles about the loom once it is done: that it lies as planned, where the module sits, that it is tied. */
  marks?: (typeof stepMarks)[number]
  /** What it proves; a proof of its own is written down with it. */
  proof?: (typeof stepProofs)[number]
  /** Only where this school was chosen. */
  school?: { choice: string; value: string }
}

export interface FilterFigures {
  coldBelowC: number
  crankingBelowRpm: number
  overrunThrottlePct: number
  throttleRatePctPerS: number
  afrRange: [number, number]
}

export interface Machine {
  kind: 'machine'
  id: MachineId
  version: number
  /** Half-finished, used with its gaps shown. */
  draft?: boolean
  maker: string
  model: string
  class: string
  years: string
  /** Where the figures come from. */
  source: string
  engine: {
    cylinders: number
    cooling: 'air' | 'liquid'
    idleRpm: number
    limiterRpm: number
    fuel: string
    /** Air to fuel by mass at lambda 1; a diesel needs none. */
    stoichAfr?: number
    /** Four unless said. */
    strokes?: 2 | 4
    /** What it gives and bears on stock. */
    output?: EngineOutput
  }
  zones: Zone[]
  connectors: Connector[]
  nets: Net[]
  wires: Wire[]
  studs: Stud[]
  steps: Step[]
  covers?: Cover[]
  places?: MountPlace[]
  ways?: AccessWay[]
  spots?: Spot[]
  passages?: Passage[]
  steering?: Steering
  power?: PowerFigures
  body?: Body
  /** Negative posts, each to be taken off before work on the loom. */
  batteries?: StudId[]
  /** Mixture wanted; without it (diesels) there is nothing to trim towards. */
  target?: { rpm: number[]; load: number[]; afr: number[][] }
  filters: FilterFigures
  cautions: string[]
  /** How its things are known, where somebody said. */
  known?: Known[]
  /** Photos of it, with what is where on them. */
  photos?: DossierPhoto[]
  variants: Variant[]
  /** The variant it was composed as. */
  asVariant?: VariantId
}

export const variantLists = [
  'connectors',
  'nets',
  'wires',
  'studs',
  'zones',
  'steps',
  'covers',
  'places',
  'ways',
  'spots',
  'passages',
] as const
export type VariantList = (typeof variantLists)[number]
export interface Variant {
  id: VariantId
  name: string
  /** How to tell it from the others on the machine itself. */
  tells: string
  remove: { list: VariantList; id: string }[]
  connectors: Connector[]
  nets: Net[]
  wires: Wire[]
  studs: Stud[]
  zones: Zone[]
  steps: Step[]
  covers?: Cover[]
  places?: MountPlace[]
  ways?: AccessWay[]
  spots?: Spot[]
  passages?: Passage[]
}

/** What an engine gives and bears as it left the factory; of what is missing a map takes what is usual. */
export interface EngineOutput {
  powerKw: number
  /** Where it has that power, 1/min. */
  atRpm?: number
  litres?: number
  /** Rail pressure at idle, at full load, and where its valve opens, MPa. */
  railMPa?: { idle: number; full: number; relief: number }
  /** Over the ambient pressure at full load, and where the control unit sets a code, kPa. */
  boostKPa?: number
  boostCodeKPa?: number
  /** Of the compressor, at the most. */
  pressureRatio?: number
  /** What the gearbox bears for good, N·m. */
  gearboxNm?: number
}

/** How something is known: measured at a machine, taken from a sheet, guessed; or guessed, and a reading says otherwise. */
export const knownHows = ['measured', 'sheet', 'guess', 'wrong'] as const
export type KnownHow = (typeof knownHows)[number]

/** Lists of a document whose things say how they are known. */
export const knownLists = {
  machine: variantLists,
  kit: ['ends', 'sockets', 'parts', 'settings', 'steps', 'lamps'],
} as const satisfies Record<'machine' | 'kit', readonly string[]>
export type KnownList = (typeof knownLists)[keyof typeof knownLists][number]

/** How one thing of a document is known, by whom and since when. What is not listed is as the document's source says. */
export interface Known {
  of: KnownList
  id: string
  how: KnownHow
  who?: string
  /** Day, as 2026-05-12. */
  on?: string
  /** What was read, or where it was taken from. */
  says?: string
}

/** A thing on a photo: parts of its width and height from the top left, 0 to 1. */
export interface PhotoPin {
  of: KnownList
  id: string
  x: number
  y: number
}

/** A photo of a machine, known by the SHA-256 of its bytes. */
export interface DossierPhoto {
  photo: string
  widthPx: number
  heightPx: number
  /** What it shows. */
  says: string
  pins: PhotoPin[]
}
