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

/** What is said of a finding: why, and what to do. */
export interface FindingWords {
  reason: string
  remedy: string
}

/** The words of one rule: why, and what to do. */
export const said = (reason: string, remedy: string): FindingWords => ({ reason, remedy })

/** Something found: which rule, how grave, where, the facts of the case, and what is said of them. */
export interface FindingOf<RuleId extends string, Place> extends FindingWords {
  rule: RuleId
  severity: Severity
  at: Place
  /** Names and figures by what they are. */
  facts: object
}

/** Sentences of a room's rules, made of the facts of a case; they stand in its `words.ts` and nowhere else. */
export type WordsOf<Facts> = { readonly [RuleId in keyof Facts]: (facts: Facts[RuleId]) => FindingWords }

/** The facts that each rule's sentence is made of. */
export type FactsOf<Words extends Readonly<Record<string, (facts: never) => FindingWords>>> = {
  [RuleId in keyof Words]: Parameters<Words[RuleId]>[0]
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

/** Writes findings down with the severity their rule has, and its words. @param after a sentence that follows the remedy */
export type SayOf<Facts, Place> = <RuleId extends keyof Facts & string>(
  rule: RuleId,
  at: Place,
  facts: Facts[RuleId],
  after?: string,
) => void

/** A list of findings, and the way to add to it. */
export function collectFindings<Facts extends Record<keyof Facts, object>, Place>(
  rules: Readonly<Record<keyof Facts, Rule>>,
  words: WordsOf<Facts>,
): { findings: FindingOf<keyof Facts & string, Place>[]; say: SayOf<Facts, Place> } {
  const findings: FindingOf<keyof Facts & string, Place>[] = []
  return {
    findings,
    say(rule, at, facts, after) {
      const { reason, remedy } = words[rule](facts)
      findings.push({
        rule,
        severity: rules[rule].severity,
        at,
        facts,
        reason,
        remedy: after === undefined ? remedy : `${remedy} ${after}`,
      })
    },
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
