import type { FindingOf } from '../findings/index.ts'
import type {
  ConnectorId,
  KitEndId,
  PassageId,
  StudId,
  TapMethod,
  KitPlaceId,
  KitId,
  MachineId,
} from '../dossiers/index.ts'

/** Where an end of the kit loom goes, or went. `side` names one half of an inline pair; without it both are meant. */
export type ConnectionTarget =
  | { connector: ConnectorId; side?: PairSide }
  /** `half`: of a wire that is cut here, the one that leads to the control unit or the one that comes from the device. */
  | { connector: ConnectorId; cavity: number; half?: WireHalf }
  | { stud: StudId }
  | { kitEnd: KitPlaceId }
  | { closed: 'cap' | 'terminator' }
  /** Looked at, and left open as it has to be. */
  | { open: true }

/** A place that an end is fixed to in the plan: a whole plug, a cavity, a stud, or capped. */
export type PlannedPlace =
  | { connector: ConnectorId; cavity: number }
  | { connector: ConnectorId }
  | { stud: StudId }
  | { closed: 'cap' }

export const wireHalves = ['ecu', 'device'] as const
export type WireHalf = (typeof wireHalves)[number]

/** `factory`: the factory plug into the loom; `device`: the loom onto the sensor, injector or coil. */
export const pairSides = ['factory', 'device'] as const
export type PairSide = (typeof pairSides)[number]

export interface Connection {
  kitEnd: KitEndId
  to: ConnectionTarget
  method?: TapMethod
  tugged?: boolean
  /** Fuse put into the lead, A, where it is another than the kit's. */
  fuseA?: number
}

/** The place a finding stands beside. */
export interface FindingPlace {
  kitEnd?: KitEndId
  connector?: ConnectorId
  cavity?: number
  stud?: StudId
  /** A stretch of the loom's way. */
  passage?: PassageId
  /** Journal entry it comes from, where that is its place. */
  entry?: string
}

/** A finding of any room, beside a place of the machine or the kit. */
export type Finding<RuleId extends string = string> = FindingOf<RuleId, FindingPlace>

/** Something a kit's sheet says wrongly, found on a machine and written down once for everybody after. */
export interface Erratum {
  id: string
  kit: KitId
  machine: MachineId
  kitEnd: KitEndId
  /** What the sheet says, and what is there. */
  says: string
  is: string
  by: string
  at: string
}

/** One line per finding that stays the same while the finding does; stops are lifted by it. */
export function findingKey(finding: { rule: string; at: FindingPlace }): string {
  const { kitEnd = '', connector = '', cavity = '', stud = '', passage, entry } = finding.at
  const more = [...(passage === undefined ? [] : [`passage ${passage}`]), ...(entry === undefined ? [] : [entry])]
  return [finding.rule, kitEnd, connector, cavity, stud, ...more].join('|')
}
