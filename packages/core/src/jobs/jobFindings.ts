import type { Station } from '../dossiers/index.ts'
import { checkWiring, findingKey, ruleCatalogue, type Erratum, type Finding, type Match } from '../wiring/index.ts'
import { differenceKey } from './choices.ts'
import { journalFindings } from './journalFindings.ts'
import type { JobDossiers, JobState } from './model.ts'
import { planOf } from './planOf.ts'
import { routeFindings } from './routeFindings.ts'

export interface JobFinding extends Finding {
  key: string
  /** May be lifted by a person with name and reason. */
  liftable: boolean
  lifted?: { by?: string; reason: string }
}

/** Stations that no open stop lets anyone enter. */
export const gatedStations: readonly Station[] = ['wake', 'close-up', 'hand-back']

/** What a job's findings need beside its own journal. */
export interface FindingContext {
  plan?: readonly Match[]
  /** Errors of kit sheets, from all jobs. */
  errata?: readonly Erratum[]
}

/** All findings of a job as built, lifted ones marked. */
export function jobFindings(
  dossiers: JobDossiers,
  state: JobState,
  { plan = planOf(dossiers, state), errata = [] }: FindingContext = {},
): JobFinding[] {
  const { machine, kit } = dossiers
  const found = [
    ...checkWiring(machine, kit, state.connections, { plan, errata }).filter(
      (finding) => finding.rule !== 'differs-from-plan' || !differenceAccepted(state, finding),
    ),
    ...journalFindings(dossiers, state, plan),
    ...routeFindings(dossiers, state),
  ]
  return found.map((finding) => {
    const key = findingKey(finding)
    const lifted = state.lifted[key]
    return {
      ...finding,
      key,
      liftable: finding.severity === 'stop' && ruleCatalogue[finding.rule].liftable,
      ...(lifted && finding.severity === 'stop' && ruleCatalogue[finding.rule].liftable
        ? { lifted: { by: lifted.by, reason: lifted.reason } }
        : {}),
    }
  })
}

function differenceAccepted(state: JobState, finding: Finding): boolean {
  const made = state.connections.find((connection) => connection.kitEnd === finding.at.kitEnd)
  return made !== undefined && differenceKey(made.kitEnd, made.to) in state.accepted
}

export function openStops(findings: readonly JobFinding[]): JobFinding[] {
  return findings.filter((finding) => finding.severity === 'stop' && !finding.lifted)
}
