/** How grave a finding is: *stop* bars what would be dangerous, *fix* wants work, *note* wants to be known. */
export const severities = ['stop', 'fix', 'note'] as const
export type Severity = (typeof severities)[number]

/** What a kind of finding means. */
export interface Rule {
  severity: Severity
  /** A stop that a person may lift with name and a typed reason. */
  liftable: boolean
  /** What is wrong, in one sentence without a case. */
  means: string
}

/** Something found: which rule, how grave, where, why, and what to do. */
export interface FindingOf<RuleId extends string, Place> {
  rule: RuleId
  severity: Severity
  at: Place
  reason: string
  remedy: string
}

/** A stop that a person may lift, and one that nobody may; what wants work; what wants to be known. */
export const stop = (means: string): Rule => ({ severity: 'stop', liftable: true, means })
export const neverLifted = (means: string): Rule => ({ severity: 'stop', liftable: false, means })
export const fix = (means: string): Rule => ({ severity: 'fix', liftable: false, means })
export const note = (means: string): Rule => ({ severity: 'note', liftable: false, means })

/** Rules of one room. */
export function defineRules<const Rules extends Readonly<Record<string, Rule>>>(rules: Rules): Rules {
  return rules
}

/** Writes findings down with the severity their rule has. */
export type SayOf<RuleId extends string, Place> = (rule: RuleId, at: Place, reason: string, remedy: string) => void

/** A list of findings, and the way to add to it. */
export function collectFindings<RuleId extends string, Place>(
  rules: Readonly<Record<RuleId, Rule>>,
): { findings: FindingOf<RuleId, Place>[]; say: SayOf<RuleId, Place> } {
  const findings: FindingOf<RuleId, Place>[] = []
  return {
    findings,
    say: (rule, at, reason, remedy) => findings.push({ rule, severity: rules[rule].severity, at, reason, remedy }),
  }
}

/** Gravest first; those of one gravity in the order they were found. */
export function byGravity(a: { severity: Severity }, b: { severity: Severity }): number {
  return severities.indexOf(a.severity) - severities.indexOf(b.severity)
}

/** A finding as it stands in a job: its key, and whether somebody has lifted it. */
export interface Standing {
  key: string
  /** May be lifted by a person with name and reason. */
  liftable: boolean
  lifted?: { by?: string; reason: string }
}

/** A finding with its standing; only a stop that may be lifted is ever lifted. */
export function standingOf<Found extends { rule: string; severity: Severity }>(
  finding: Found,
  key: string,
  rule: Rule | undefined,
  lifted: { by?: string; reason: string } | undefined,
): Found & Standing {
  const liftable = finding.severity === 'stop' && rule?.liftable === true
  return {
    ...finding,
    key,
    liftable,
    ...(lifted && liftable ? { lifted: { by: lifted.by, reason: lifted.reason } } : {}),
  }
}

/** Stops that nobody has lifted. */
export function openStops<Found extends { severity: Severity; lifted?: unknown }>(findings: readonly Found[]): Found[] {
  return findings.filter((finding) => finding.severity === 'stop' && finding.lifted === undefined)
}
