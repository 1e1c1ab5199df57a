import type { ConnectorId, KitEndId, PassageId, StudId, TapMethod } from '../dossiers/index.ts'

/** Where an end of the kit loom goes, or went. `side` names one half of an inline pair; without it both are meant. */
export type ConnectionTarget =
  | { connector: ConnectorId; side?: PairSide }
  /** `half`: of a wire that is cut here, the one that leads to the control unit or the one that comes from the device. */
  | { connector: ConnectorId; cavity: number; half?: WireHalf }
  | { stud: StudId }
  | { kitEnd: KitEndId }
  | { closed: 'cap' | 'terminator' }
  /** Looked at, and left open as it has to be. */
  | { open: true }

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
}

export const severities = ['stop', 'fix', 'note'] as const
export type Severity = (typeof severities)[number]

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

export interface Finding {
  rule: RuleId
  severity: Severity
  at: FindingPlace
  reason: string
  remedy: string
}

/** Every rule: how grave it is, and whether a person may lift it with name and a typed reason. */
export const ruleCatalogue = {
  'pair-to-itself': { severity: 'stop', liftable: false },
  'loom-to-loom': { severity: 'stop', liftable: true },
  'wrong-socket': { severity: 'stop', liftable: true },
  'pair-one-side': { severity: 'stop', liftable: true },
  'pair-split': { severity: 'stop', liftable: true },
  'wrong-connector': { severity: 'stop', liftable: true },
  'wrong-cylinder': { severity: 'stop', liftable: true },
  'wrong-row': { severity: 'stop', liftable: true },
  'wrong-track': { severity: 'stop', liftable: true },
  'pins-differ': { severity: 'stop', liftable: true },
  'genders-clash': { severity: 'stop', liftable: true },
  'wrong-wire': { severity: 'stop', liftable: true },
  'stripe-swapped': { severity: 'stop', liftable: true },
  'no-wire': { severity: 'stop', liftable: true },
  'pin-occupied': { severity: 'stop', liftable: true },
  'cut-open': { severity: 'stop', liftable: true },
  'cut-split': { severity: 'stop', liftable: true },
  'cut-no-consent': { severity: 'stop', liftable: true },
  'barred-circuit': { severity: 'stop', liftable: false },
  'airbag-circuit': { severity: 'stop', liftable: false },
  'feed-always-live': { severity: 'stop', liftable: true },
  'feed-unfused': { severity: 'stop', liftable: false },
  'feed-on-ground': { severity: 'stop', liftable: true },
  'feed-brake-lamp': { severity: 'stop', liftable: true },
  'feed-electronic': { severity: 'stop', liftable: true },
  'ground-live': { severity: 'stop', liftable: true },
  'ground-sensor': { severity: 'stop', liftable: false },
  'reference-on-power': { severity: 'stop', liftable: true },
  'wrong-machine': { severity: 'stop', liftable: true },
  'wrong-kind': { severity: 'stop', liftable: true },
  'lead-never': { severity: 'stop', liftable: true },
  'short-at-lock': { severity: 'stop', liftable: true },
  'route-barred': { severity: 'stop', liftable: true },
  'feed-test': { severity: 'stop', liftable: true },
  'plug-twice': { severity: 'stop', liftable: true },
  'cut-swapped': { severity: 'stop', liftable: true },
  'feed-part-time': { severity: 'stop', liftable: true },
  'wrong-stud': { severity: 'stop', liftable: true },
  'vent-closed': { severity: 'stop', liftable: true },
  'fuse-over-wire': { severity: 'stop', liftable: true },
  'reading-stop': { severity: 'stop', liftable: true },
  'proof-failed': { severity: 'stop', liftable: false },
  'two-places': { severity: 'fix', liftable: true },
  'lead-short': { severity: 'fix', liftable: true },
  'route-hot': { severity: 'fix', liftable: true },
  'route-hazard': { severity: 'fix', liftable: true },
  'route-gap': { severity: 'fix', liftable: true },
  'bundle-over': { severity: 'fix', liftable: true },
  'loom-untied': { severity: 'fix', liftable: true },
  'place-unfit': { severity: 'fix', liftable: true },
  'ground-drop': { severity: 'fix', liftable: true },
  'feed-drop': { severity: 'fix', liftable: true },
  'end-open': { severity: 'fix', liftable: true },
  'spare-open': { severity: 'fix', liftable: true },
  'port-open': { severity: 'fix', liftable: true },
  'port-wrong-closure': { severity: 'fix', liftable: true },
  'bus-terminators': { severity: 'fix', liftable: true },
  'closed-but-wanted': { severity: 'fix', liftable: true },
  'feed-over-spare': { severity: 'fix', liftable: true },
  'tap-size': { severity: 'fix', liftable: true },
  'tap-place': { severity: 'fix', liftable: true },
  'cut-method': { severity: 'fix', liftable: true },
  'ring-size': { severity: 'fix', liftable: true },
  'not-tugged': { severity: 'fix', liftable: true },
  'vent-open': { severity: 'fix', liftable: true },
  'method-missing': { severity: 'fix', liftable: true },
  'method-not-in-kit': { severity: 'fix', liftable: true },
  'joined-live': { severity: 'fix', liftable: true },
  'puncture-open': { severity: 'fix', liftable: true },
  'earlier-work': { severity: 'fix', liftable: true },
  'reading-off': { severity: 'fix', liftable: true },
  'reading-note': { severity: 'note', liftable: true },
  'feed-spare-unknown': { severity: 'note', liftable: true },
  'confusable-wire': { severity: 'note', liftable: true },
  'kit-lookalike': { severity: 'note', liftable: true },
  'sheet-differs': { severity: 'note', liftable: true },
  'sheet-erratum': { severity: 'note', liftable: true },
  'dossier-gap': { severity: 'note', liftable: true },
  'route-differs': { severity: 'note', liftable: true },
  'differs-from-plan': { severity: 'note', liftable: true },
} as const satisfies Record<string, { severity: Severity; liftable: boolean }>
export type RuleId = keyof typeof ruleCatalogue

/** Something a kit's sheet says wrongly, found on a machine and written down once for everybody after. */
export interface Erratum {
  id: string
  kit: string
  machine: string
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
