import { stations } from '../dossiers/index.ts'
import { openStops } from '../findings/index.ts'
import { whileItStands } from '../shared/index.ts'
import { connectionPlan, type Erratum, type Match } from '../wiring/index.ts'
import { capabilities } from './capabilities.ts'
import { jobFindings, type JobFinding } from './jobFindings.ts'
import type { JobDossiers, JobState } from './state.ts'
import { progressAt, type StationProgress } from './stationProgress.ts'

/** What follows from a job as it stands, for whoever shows it. */
export interface WorkedOut {
  plan: Match[]
  findings: JobFinding[]
  /** Findings that bar, not lifted. */
  stops: JobFinding[]
  progress: StationProgress[]
}

/**
 * Works out a job piece by piece: whoever asks may do something else between two pieces, as long as the documents and the state stay as
 * they are. Its plans are made before, else they are made here.
 * @param errata what is known to be wrong on kit sheets: a note, which bars no station
 */
export function* workOutJob(
  dossiers: JobDossiers,
  state: JobState,
  errata: readonly Erratum[],
): Generator<void, WorkedOut> {
  const plan = connectionPlan(dossiers, state)
  yield
  const findings: JobFinding[] = []
  for (const capability of capabilities) {
    findings.push(...jobFindings(dossiers, state, { plan, errata }, [capability]))
    yield
  }
  const progress: StationProgress[] = []
  for (const station of stations) {
    progress.push(progressAt(dossiers, state, station, findings))
    yield
  }
  return { plan, findings, stops: openStops(findings), progress }
}

/** All of it at once. */
export function workedOut(dossiers: JobDossiers, state: JobState, errata: readonly Erratum[]): WorkedOut {
  return whileItStands(state, () => {
    const work = workOutJob(dossiers, state, errata)
    for (;;) {
      const { done, value } = work.next()
      if (done) return value
    }
  })
}
