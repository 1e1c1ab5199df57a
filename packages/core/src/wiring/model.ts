import type { ConnectorId, KitEndId, StudId, TapMethod } from '../dossiers/index.ts'

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
  'pair-one-side': { severity: 'stop', never: false },
  'pair-split': { severity: 'stop', never: false },
  'wrong-connector': { severity: 'stop', never: false },
  'pins-differ': { severity: 'stop', never: false },
  'genders-clash': { severity: 'stop', never: false },
  'wrong-wire': { severity: 'stop', never: false },
  'stripe-swapped': { severity: 'stop', never: false },
  'no-wire': { severity: 'stop', never: false },
  'barred-circuit': { severity: 'stop', never: true },
  'feed-always-live': { severity: 'stop', never: true },
  'ground-live': { severity: 'stop', never: true },
  'ground-sensor': { severity: 'stop', never: true },
  'wrong-machine': { severity: 'stop', never: false },
  'wrong-kind': { severity: 'stop', never: false },
  'two-places': { severity: 'fix', never: false },
  'end-open': { severity: 'fix', never: false },
  'spare-open': { severity: 'fix', never: false },
  'port-open': { severity: 'fix', never: false },
  'port-wrong-closure': { severity: 'fix', never: false },
  'closed-but-wanted': { severity: 'fix', never: false },
  'tap-size': { severity: 'fix', never: false },
  'tap-place': { severity: 'fix', never: false },
  'ring-size': { severity: 'fix', never: false },
  'not-tugged': { severity: 'fix', never: false },
  'confusable-wire': { severity: 'note', never: false },
  'sheet-differs': { severity: 'note', never: false },
  'differs-from-plan': { severity: 'note', never: false },
} as const satisfies Record<string, { severity: Severity; never: boolean }>
export type RuleId = keyof typeof ruleCatalogue

/** One line per finding that stays the same while the finding does; stops are lifted by it. */
export function findingKey(finding: { rule: string; at: FindingPlace }): string {
  const { kitEnd = '', connector = '', cavity = '', stud = '' } = finding.at
  return [finding.rule, kitEnd, connector, cavity, stud].join('|')
}
