import type { ColourName } from './colours.ts'
import type {
  KitEndId,
  KitId,
  KitPlaceId,
  LampId,
  MachineId,
  PartId,
  PlaceId,
  SettingId,
  SocketId,
  StudId,
  VariantId,
} from './ids.ts'
import type { PlaceUse } from './accessModel.ts'
import type { Cavity, Known, Shell, Step, WireColour } from './model.ts'
import type { SignalSort } from './signals.ts'

export const tapMethods = [
  'piercing screw tap',
  'displacement tap',
  'solder and sleeve',
  'crimp and sealed sleeve',
  'added pin',
] as const
export type TapMethod = (typeof tapMethods)[number]

/** One half of an inline pair: the plug on the loom that meets the factory plug, or the device. */
export interface PairHalf {
  shell: Shell
  gender: 'female' | 'male'
}

/** One line of an inline pair: what the module does with the wire of that cavity. */
export interface PairLine {
  cavity: number
  does: 'pass' | 'tap' | 'interrupt'
  wants: SignalSort
  colour: WireColour
  areaMm2: number
}

interface EndBase {
  id: KitEndId
  /** Tag on the branch. */
  tag: string
  name: string
  /** Trunk from the module to where the branch leaves, and the branch itself, m. */
  breakOutM: number
  branchM: number
  /** False: the kit works without it and the end is capped where the machine has no place for it. */
  needed: boolean
}

export interface InlinePair extends EndBase {
  type: 'inline-pair'
  cavities: Cavity[]
  lines: PairLine[]
  factoryHalf: PairHalf
  /** Missing where the module takes the device's place: only the factory plug is mated. */
  deviceHalf?: PairHalf
  /** Pairs with the same group may change places among themselves (coils that fire together). */
  interchangeable?: string
  /** Where it has to stand when a pair of another kit is on the same plug: nearest to the control unit, or nearest to the device. */
  stands?: PairStand
}

export const pairStands = ['control unit side', 'device side'] as const
export type PairStand = (typeof pairStands)[number]

export interface FlyingLead extends EndBase {
  type: 'flying-lead'
  colour: WireColour
  areaMm2: number
  wants: SignalSort
  /** Colour of the factory wire as the kit's own sheet names it for a machine. */
  sheet: { machine: MachineId; colour: WireColour }[]
  /** What it draws from the circuit, A; without it the module's own supply for a feed, nothing for a signal. */
  currentA?: number
  /** What it draws for the first half minute of a cold heater, A. */
  coldA?: number
  /** Reference of something that measures: belongs to a sensor ground. */
  reference?: boolean
  /** The factory wire is cut here: this lead takes the half that leads to the ECU, or the half that comes from the device. */
  cut?: { half: 'ecu' | 'device'; partner: KitEndId }
  /** Joined at the control unit's plug rather than at the device. */
  nearEcu?: boolean
  /** The lead is a pin for a cavity that stands empty in the factory plug. */
  intoSpare?: boolean
}

export interface RingEnd extends EndBase {
  type: 'ring'
  colour: WireColour
  areaMm2: number
  wants: SignalSort
  holeMm: number
  /** Stud the kit's own sheet names for a machine. */
  sheet: { machine: MachineId; stud: StudId }[]
  currentA?: number
  coldA?: number
  /** Fuse in the lead, A; a feed without one is a stop. */
  fuseA?: number
  reference?: boolean
}

export interface PortEnd extends EndBase {
  type: 'port'
  closedBy: 'terminator' | 'cap'
  /** Ports of other kits that it is mated to where both are on one machine. */
  meets?: { kit: KitId; end: KitEndId }[]
}

/** An opening that has to stay open, as the port a controller reads the weather through. */
export interface VentEnd extends EndBase {
  type: 'vent'
  /** Why, in one sentence. */
  why: string
}

/** An end that goes into a socket or terminal of the kit itself. */
export interface PlugEnd extends EndBase {
  type: 'plug'
  into: KitPlaceId
  /** What hangs on this lead and has a place of its own on the machine. Ends with the same one are one cable. */
  far?: Exclude<PlaceUse, 'module'>
  /** Every socket its shape enters, the right one included. */
  enters: KitPlaceId[]
  colour?: WireColour
  /** How the right socket is known. */
  telling: string
}

export type KitEnd = InlinePair | FlyingLead | RingEnd | PortEnd | VentEnd | PlugEnd

export const socketStyles = ['socket', 'screw terminal', 'relay outlet'] as const

/** A socket or screw terminal on the module, the dial or the block, or an outlet of its relay. */
export interface Socket {
  id: SocketId
  name: string
  style: (typeof socketStyles)[number]
  colour?: WireColour
  /** Of an outlet behind the kit's own relay and fuse: as much as other kits may take there, A. */
  givesA?: number
}

/** A rule of the loom that holds for several ends, in one sentence. */
export interface NamingRule {
  id: string
  kind: 'colour' | 'length' | 'interchangeable' | 'strict order'
  ends: KitEndId[]
  says: string
}

export interface KitPart {
  id: PartId
  name: string
  count: number
  /** A missing one stops the job, or only slows it. */
  missing: 'stop' | 'note'
  /** Welded into the exhaust: pipe off, welded, cooled, back on. */
  welded?: boolean
  /** What from the shelf does as well; without it only the kit's own part will do. */
  instead?: string
}

/** What a setting is for: by this its value is worked out from the machine, the kits and what is joined. */
export const settingRoles = [
  'cylinders',
  'pulses per turn',
  'sensor kind',
  'throttle shut',
  'throttle open',
  'level',
  'map',
  'pedal curve',
  'learn limit',
  'speed alarm',
  'speed scale',
  'exhaust alarm',
  'coolant alarm',
  'tyre height',
  'axle ratio',
  'altitude',
  'bus address',
  'fuel',
  'positions',
] as const
export type SettingRole = (typeof settingRoles)[number]

export interface KitSetting {
  id: SettingId
  role?: SettingRole
  /** Settings of other kits it has to agree with where both are on one machine. */
  follows?: { kit: KitId; setting: SettingId }[]
  name: string
  unit: string
  choices?: string[]
  low?: number
  high?: number
  /** What the unit ships with. */
  shipped: string
  /** Read off this machine by the unit itself: as long as nobody did, it has no value, whatever it ships with. */
  captured?: boolean
  why: string
}

export interface KitTrim {
  rpm: number[]
  load: number[]
  boundsPct: [number, number]
  actsOn: 'fuel' | 'pulse width'
  gain: number
  maxStepPct: number
  /** From this throttle up a cell is accepted only one by one, by somebody who has looked at it. */
  fullLoadPct: number
}

export const lampStates = ['dark', 'steady', 'rhythm'] as const

/** One thing the module's lamp says. */
export interface KitLamp {
  id: LampId
  colour: ColourName
  state: (typeof lampStates)[number]
  /** One round: on, off, on …, ms; empty unless it is a rhythm. */
  rhythmMs: number[]
  means: string
  /** What to do then. */
  next: string
  /** When it is what is seen where all is in order, on stock. */
  rightAt?: LampMoment[]
}

/** A unit by the number that stands on it, with the machine it is made for; without a variant for each of them. */
export interface KitUnit {
  part: string
  machine: MachineId
  variant?: VariantId
}

export const lampMoments = ['key on', 'running'] as const
export type LampMoment = (typeof lampMoments)[number]

/** One step above stock, which is 0 and not in the list: what it adds, and when the module lets it in. */
export interface KitLevel {
  level: number
  name: string
  railMPa?: number
  boostKPa?: number
  fuelPct?: number
  /** Coolant at least, °C; engine speed at least, 1/min; share of full load at least, 0 to 1. */
  gate: { coolantC: number; rpm: number; load: number }
}

/** A gain that is claimed, on a machine or on any. */
export interface KitClaim {
  machine?: MachineId
  powerKw?: number
  torqueNm?: number
  at: 'wheel' | 'engine'
  kind: 'peak' | 'largest-gain'
}

/** A figure the kit, or an instrument, writes into its logs and sends live. */
export interface KitFigure {
  /** Its column in a log, or its name in a line of JSON. */
  column: string
  unit: string
  /** Readings it answers, in the words of the steps that ask for them. */
  answers: string[]
  /** What is written, times this, plus that, is in the unit. */
  factor?: number
  offset?: number
}

export interface Kit {
  kind: 'kit'
  id: KitId
  version: number
  /** Half-finished, used with its gaps shown. */
  draft?: boolean
  maker: string
  model: string
  system: string
  source: string
  /** Machines the maker made the loom for; others are a stop. */
  fits: MachineId[]
  /** A machine may have several of it at once. */
  repeatable?: boolean
  /** `sleeps`: its drain falls to `idleMa` by itself when the engine stands. */
  module: {
    name: string
    supplyA: number
    idleMa: number
    sleeps?: boolean
    /** Length, width, height, mm. */
    sizeMm?: [number, number, number]
    /** Warmest place it may sit at, °C. */
    maxC?: number
    /** Closed against water. */
    sealed?: boolean
    /** Made to sit where it shakes hard, as on a handlebar. */
    shakeproof?: boolean
    /** Has to be seen and reached while driving. */
    seen?: boolean
  }
  trunkM: number
  ends: KitEnd[]
  sockets?: Socket[]
  /** Terminators the bus needs on the ports of this kit, all together. */
  terminators?: number
  naming?: NamingRule[]
  taps: { method: TapMethod; lowMm2: number; highMm2: number; barred: ('hot' | 'wet' | 'vibration')[]; why: string }[]
  parts: KitPart[]
  settings: KitSetting[]
  /** Without it the unit has no fuel table. */
  trim?: KitTrim
  /** What its lamps say; without them a rhythm tells nothing. */
  lamps?: KitLamp[]
  /** Part numbers of its unit, by the machine they are made for. */
  units?: KitUnit[]
  /** Steps of level above stock, from 1 up. */
  levels?: KitLevel[]
  /** What whoever sells it says it brings; nothing here vouches for it. */
  claims?: KitClaim[]
  /** How its log's columns and live lines are named. */
  figures?: KitFigure[]
  steps: Step[]
  cautions: string[]
  /** How its things are known, where somebody said. */
  known?: Known[]
  returnToStock: string[]
  /** Where the kit's own sheet puts the module on a machine. */
  places?: { machine: MachineId; place: PlaceId }[]
}
