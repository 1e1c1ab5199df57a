import { checkWiring, findingKey, ruleCatalogue, type Finding, type Match } from '../wiring/index.ts'
import type { Station } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from './model.ts'

export interface JobFinding extends Finding {
  key: string
  /** May be lifted by a person with name and reason. */
  liftable: boolean
  lifted?: { by?: string; reason: string }
}

/** Stations that no open stop lets anyone enter. */
export const gatedStations: readonly Station[] = ['wake', 'close-up', 'hand-back']

/** All findings of a job as built, lifted ones marked. */
export function jobFindings(dossiers: JobDossiers, state: JobState, plan?: readonly Match[]): JobFinding[] {
  const { machine, kit } = dossiers
  const disputes = state.disputes.map((dispute): Finding => ({
    rule: 'two-places',
    severity: ruleCatalogue['two-places'].severity,
    at: { kitEnd: dispute.kitEnd },
    reason: `Two different places were written down for ${kit.ends.find((end) => end.id === dispute.kitEnd)?.name ?? dispute.kitEnd}; the later one is shown.`,
    remedy: 'Look at it. If the later is wrong, undo it; else take the end off in the list and connect it again.',
  }))
  return [...checkWiring(machine, kit, state.connections, plan), ...disputes].map((finding) => {
    const key = findingKey(finding)
    const lifted = state.lifted[key]
    return {
      ...finding,
      key,
      liftable: finding.severity === 'stop' && !ruleCatalogue[finding.rule].never,
      ...(lifted && finding.severity === 'stop' && !ruleCatalogue[finding.rule].never
        ? { lifted: { by: lifted.by, reason: lifted.reason } }
        : {}),
    }
  })
}

export function openStops(findings: readonly JobFinding[]): JobFinding[] {
  return findings.filter((finding) => finding.severity === 'stop' && !finding.lifted)
}
