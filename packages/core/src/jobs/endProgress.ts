import type { JobDossiers, JobState } from './state.ts'
import { isPresent, type Kit, type KitEnd } from '../dossiers/index.ts'
import { connectionPlan, type Match } from '../wiring/index.ts'
import { jobFindings, type JobFinding } from './jobFindings.ts'
import { planTicks, type Tick } from './planTicks.ts'

/** One end of the loom: how far it is, and what is found there. */
export interface EndProgress {
  end: KitEnd
  match: Match | undefined
  ticks: Tick[]
  findings: JobFinding[]
  /** Done once every tick is made and no stop stands there. */
  status: 'done' | 'open' | 'stop'
}

/** Stops that are there only until the other half is made too; they do not turn the order of work round. */
const halfWay = new Set<string>(['pair-one-side', 'cut-open'])

/** Every end of the kit in its order; the yard, the stations and the hook-up count by this alone. */
export function endProgress(
  dossiers: JobDossiers,
  state: JobState,
  findings: readonly JobFinding[] = jobFindings(dossiers, state),
): EndProgress[] {
  const plan = connectionPlan(dossiers, state)
  return ownEnds(dossiers.kit).map((end) => {
    const match = plan.find((candidate) => candidate.kitEnd === end.id)
    const ticks = planTicks(dossiers, state, end, match)
    const own = findings.filter((finding) => finding.at.kitEnd === end.id)
    const stopped = own.some((finding) => finding.severity === 'stop' && !finding.lifted && !halfWay.has(finding.rule))
    return {
      end,
      match,
      ticks,
      findings: own,
      status: stopped ? 'stop' : ticks.every((tick) => tick.done) ? 'done' : 'open',
    }
  })
}

/** Ends that the job works at: not those of kits that were in the machine before. */
export function ownEnds(kit: Kit): KitEnd[] {
  return kit.ends.filter((end) => !isPresent(kit, end.id))
}

/** How many ends are done. */
export function endsDone(dossiers: JobDossiers, state: JobState, findings?: readonly JobFinding[]): number {
  return endProgress(dossiers, state, findings).filter(({ status }) => status === 'done').length
}
