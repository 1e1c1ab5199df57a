import type { Flavour } from '../shared/index.ts'
import type { ColourName } from './colours.ts'

export type MachineId = Flavour<'machine'>
export type KitId = Flavour<'kit'>
export type ConnectorId = Flavour<'connector'>
export type NetId = Flavour<'net'>
export type StudId = Flavour<'stud'>
export type ZoneId = Flavour<'zone'>
export type KitEndId = Flavour<'kit-end'>

/** What an electrical node carries. */
export const signalKinds = [
  'supply-always',
  'supply-switched',
  'reference-5v',
  'power-ground',
  'sensor-ground',
  'analogue-0-5',
  'frequency',
  'injector-drive',
  'coil-drive',
  'bus-high',
  'bus-low',
] as const
export type SignalKind = (typeof signalKinds)[number]

/** What an electrical node is for; matching goes by this before anything else. */
export const signalRoles = [
  'injector',
  'coil',
  'crank',
  'throttle-position',
  'vehicle-speed',
  'manifold-pressure',
  'air-temperature',
  'coolant-temperature',
  'oxygen',
  'neutral',
  'fan',
  'fuel-pump',
  'lamp',
  'brake-lamp',
  'diagnostic',
  'supply',
  'ground',
  'start',
] as const
export type SignalRole = (typeof signalRoles)[number]

export interface WireColour {
  base: ColourName
  stripe?: ColourName
}

/** Outline and key of a shell, as felt and seen on the mating side. */
export interface Shell {
  family: string
  colour: ColourName
  outline: 'rectangle' | 'round' | 'oval' | 'd-shape'
  key: 'none' | 'flat' | 'notch' | 'two ribs' | 'side rib'
}

/** Place of a cavity on the face seen from the wire side, in tenths of the face's width and height from top left. */
export interface Cavity {
  number: number
  x: number
  y: number
  blank?: boolean
}

export interface Lock {
  kind: 'thumb tab' | 'slide then press' | 'squeeze' | 'tang' | 'bayonet' | 'none'
  colour?: ColourName
  /** One sentence: how it opens. */
  opens: string
}

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
}

export interface Net {
  id: NetId
  name: string
  signal: SignalKind
  role: SignalRole
  /** Current the circuit can give away, A. */
  spareA?: number
}

/** Where a wire ends. A splice is known by its name alone: all wires that end in it are one. */
export type WirePlace = { connector: ConnectorId; cavity: number } | { stud: StudId } | { splice: string }

export interface Wire {
  id: string
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
}

export interface Zone {
  id: ZoneId
  name: string
  /** What a joint must stand there. */
  conditions: ('hot' | 'wet' | 'vibration' | 'dry')[]
}

/** Stations of a job in working order. */
export const stations = [
  'take-in',
  'check-kit',
  'make-safe',
  'open-up',
  'lay-loom',
  'hook-up',
  'tie-down',
  'wake',
  'close-up',
  'trim',
  'prove',
  'hand-back',
] as const
export type Station = (typeof stations)[number]

/** One thing to do at a station. */
export interface Step {
  id: string
  station: Station
  text: string
  why?: string
  /** Stands beside the step and cannot be folded away. */
  caution?: string
  /** What this step asks to be written down, with its unit. */
  reading?: { quantity: string; unit: string; low?: number; high?: number }
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
    stoichAfr: number
  }
  zones: Zone[]
  connectors: Connector[]
  nets: Net[]
  wires: Wire[]
  studs: Stud[]
  steps: Step[]
  target: { rpm: number[]; load: number[]; afr: number[][] }
  filters: FilterFigures
  cautions: string[]
  variants: Variant[]
}

type VariantList = 'connectors' | 'nets' | 'wires' | 'studs' | 'zones' | 'steps'
export interface Variant {
  id: string
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
}

export const tapMethods = [
  'piercing screw tap',
  'displacement tap',
  'solder and sleeve',
  'crimp and sealed sleeve',
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
  wants: { signal: SignalKind; role: SignalRole }
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

export type KitEnd =
  | (EndBase & {
      type: 'inline-pair'
      cavities: Cavity[]
      lines: PairLine[]
      factoryHalf: PairHalf
      deviceHalf: PairHalf
    })
  | (EndBase & {
      type: 'flying-lead'
      colour: WireColour
      areaMm2: number
      wants: { signal: SignalKind; role: SignalRole }
      /** Colour of the factory wire as the kit's own sheet names it for a machine. */
      sheet: { machine: MachineId; colour: WireColour }[]
    })
  | (EndBase & {
      type: 'ring'
      colour: WireColour
      areaMm2: number
      wants: { signal: SignalKind; role: SignalRole }
      holeMm: number
      /** Stud the kit's own sheet names for a machine. */
      sheet: { machine: MachineId; stud: StudId }[]
    })
  | (EndBase & { type: 'port'; closedBy: 'terminator' | 'cap' })

export interface KitPart {
  id: string
  name: string
  count: number
  /** A missing one stops the job, or only slows it. */
  missing: 'stop' | 'note'
}

export interface KitSetting {
  id: string
  name: string
  unit: string
  choices?: string[]
  low?: number
  high?: number
  /** What the unit ships with. */
  shipped: string
  why: string
}

export interface Kit {
  kind: 'kit'
  id: KitId
  version: number
  maker: string
  model: string
  system: string
  source: string
  /** Machines the maker made the loom for; others are a stop. */
  fits: MachineId[]
  module: { name: string; supplyA: number; idleMa: number }
  trunkM: number
  ends: KitEnd[]
  taps: { method: TapMethod; lowMm2: number; highMm2: number; barred: ('hot' | 'wet' | 'vibration')[]; why: string }[]
  parts: KitPart[]
  settings: KitSetting[]
  trim: {
    rpm: number[]
    load: number[]
    boundsPct: [number, number]
    actsOn: 'fuel' | 'pulse width'
    gain: number
    maxStepPct: number
    /** From this throttle up a cell is accepted only one by one, by somebody who has looked at it. */
    fullLoadPct: number
  }
  steps: Step[]
  cautions: string[]
  returnToStock: string[]
}

export type Dossier = Machine | Kit

/** A dossier version a job points at. */
export interface DossierRef {
  id: string
  version: number
  hash: string
  variant?: string
}
