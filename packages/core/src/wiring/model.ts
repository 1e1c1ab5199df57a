import type { ConnectorId, KitEndId, PassageId, StudId, TapMethod } from '../dossiers/index.ts'

/** Where an end of the kit loom goes, or went. `side` names one half of an inline pair; without it both are meant. */
export type ConnectionTarget =
  | { connector: ConnectorId; side?: PairSide }
  | { connector: ConnectorId; cavity: number }
  | { stud: StudId }
  | { kitEnd: KitEndId }
  | { closed: 'cap' | 'terminator' }

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

/** Every rule: how grave it is, and whether a person may lift it with name and reason. */
export const ruleCatalogue = {
  'pair-to-itself': { severity: 'stop', never: true },
  'loom-to-loom': { severity: 'stop', never: true },
  'wrong-socket': { severity: 'stop', never: false },
  'pair-one-side': { severity: 'stop', never: false },
  'pair-split': { severity: 'stop', never: false },
  'wrong-connector': { severity: 'stop', never: false },
  'wrong-cylinder': { severity: 'stop', never: false },
  'wrong-row': { severity: 'stop', never: false },
  'wrong-track': { severity: 'stop', never: false },
  'pins-differ': { severity: 'stop', never: false },
  'genders-clash': { severity: 'stop', never: false },
  'wrong-wire': { severity: 'stop', never: false },
  'stripe-swapped': { severity: 'stop', never: false },
  'no-wire': { severity: 'stop', never: false },
  'pin-occupied': { severity: 'stop', never: false },
  'cut-open': { severity: 'stop', never: false },
  'cut-split': { severity: 'stop', never: false },
  'cut-no-consent': { severity: 'stop', never: false },
  'barred-circuit': { severity: 'stop', never: true },
  'airbag-circuit': { severity: 'stop', never: true },
  'feed-always-live': { severity: 'stop', never: true },
  'feed-unfused': { severity: 'stop', never: true },
  'feed-on-ground': { severity: 'stop', never: true },
  'feed-brake-lamp': { severity: 'stop', never: false },
  'feed-electronic': { severity: 'stop', never: false },
  'ground-live': { severity: 'stop', never: true },
  'ground-sensor': { severity: 'stop', never: true },
  'reference-on-power': { severity: 'stop', never: false },
  'wrong-machine': { severity: 'stop', never: false },
  'wrong-kind': { severity: 'stop', never: false },
  'lead-never': { severity: 'stop', never: false },
  'short-at-lock': { severity: 'stop', never: false },
  'route-barred': { severity: 'stop', never: true },
  'feed-test': { severity: 'stop', never: false },
  'two-places': { severity: 'fix', never: false },
  'lead-short': { severity: 'fix', never: false },
  'route-hot': { severity: 'fix', never: false },
  'route-hazard': { severity: 'fix', never: false },
  'route-gap': { severity: 'fix', never: false },
  'bundle-over': { severity: 'fix', never: false },
  'loom-untied': { severity: 'fix', never: false },
  'place-unfit': { severity: 'fix', never: false },
  'ground-drop': { severity: 'fix', never: false },
  'feed-drop': { severity: 'fix', never: false },
  'end-open': { severity: 'fix', never: false },
  'spare-open': { severity: 'fix', never: false },
  'port-open': { severity: 'fix', never: false },
  'port-wrong-closure': { severity: 'fix', never: false },
  'bus-terminators': { severity: 'fix', never: false },
  'closed-but-wanted': { severity: 'fix', never: false },
  'feed-over-spare': { severity: 'fix', never: false },
  'tap-size': { severity: 'fix', never: false },
  'tap-place': { severity: 'fix', never: false },
  'cut-method': { severity: 'fix', never: false },
  'ring-size': { severity: 'fix', never: false },
  'not-tugged': { severity: 'fix', never: false },
  'earlier-work': { severity: 'fix', never: false },
  'reading-off': { severity: 'fix', never: false },
  'confusable-wire': { severity: 'note', never: false },
  'kit-lookalike': { severity: 'note', never: false },
  'sheet-differs': { severity: 'note', never: false },
  'sheet-erratum': { severity: 'note', never: false },
  'dossier-gap': { severity: 'note', never: false },
  'route-differs': { severity: 'note', never: false },
  'differs-from-plan': { severity: 'note', never: false },
} as const satisfies Record<string, { severity: Severity; never: boolean }>
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
