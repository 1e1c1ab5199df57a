import type { Station } from '../dossiers/index.ts'
import { standingOf, type Rule, type Standing } from '../findings/index.ts'
import { whileItStands } from '../shared/index.ts'
import { purposeOf } from '../vehicles/index.ts'
import { connectionPlan, findingKey, type Finding } from '../wiring/index.ts'
import { capabilities } from './capabilities.ts'
import type { Capability, FindingScene } from './capability.ts'
import type { JobDossiers, JobState } from './state.ts'

export type JobFinding = Finding & Standing
export type FindingContext = Partial<FindingScene>

/** Stations that no open stop lets anyone enter. */
export const gatedStations: readonly Station[] = ['wake', 'close-up', 'hand-back']

/** Failed proofs bar the key from being turned too. */
const beforeTheStart = new Set<string>(['proof-failed', 'pedal-failed', 'pipe-off'])

/** Whether a stop bars a station. */
export function barsStation(station: Station, { rule }: { rule: string }): boolean {
  return gatedStations.includes(station) || (station === 'set-up' && beforeTheStart.has(rule))
}

/** All findings of a job as built, lifted ones marked. */
export function jobFindings(
  dossiers: JobDossiers,
  state: JobState,
  { plan = connectionPlan(dossiers, state), errata = [] }: FindingContext = {},
  list: readonly Capability[] = capabilities,
): JobFinding[] {
  const stock = purposeOf(state) === 'stock'
  return whileItStands(state, () =>
    list
      .filter(({ name }) => !stock || !ofFitting.has(name))
      .flatMap(({ findings, rules = {} }) =>
        (findings?.(dossiers, state, { plan, errata }) ?? []).map((finding) => {
          const key = findingKey(finding)
          const rule: Rule | undefined = rules[finding.rule]
          return standingOf(finding, key, rule, state.lifted[key])
        }),
      ),
  )
}

/** What judges how a kit is fitted: of one that comes off it says nothing. */
const ofFitting = new Set<string>(['wiring', 'routing', 'electrical', 'setup'])
