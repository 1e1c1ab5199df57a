import { isJoined } from '../dossiers/index.ts'
import { findsAllKnown, keptBy, remember, type Kept } from '../shared/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { accessOf } from './jobAccess.ts'
import { electricsOf, plannedLooms } from './jobRoute.ts'
import { jobSteps } from './jobSteps.ts'
import { memberJobs } from './members.ts'
import { routesOf } from './mountPlace.ts'
import type { JobDossiers, JobState } from './state.ts'

type Needed = Pick<JobState, 'decided' | 'found'>

/** The plans that every view of a job stands on: where ends go, how the loom lies, where power comes from, what comes off, in what order. */
function plan(dossiers: JobDossiers, state: Needed): void {
  connectionPlan(dossiers, state)
  for (const { dossiers: own, own: chosen } of plannedLooms(dossiers, state)) {
    routesOf(own, chosen)
    electricsOf(own, chosen)
  }
  accessOf(dossiers, state)
  jobSteps(dossiers, state)
}

/** Whether all plans of a job are there, so that showing it makes none. */
export function plansKnown(dossiers: JobDossiers, state: Needed): boolean {
  return findsAllKnown(() => plan(dossiers, state))
}

/** Makes the plans of a job, in a thread that holds no screen. @returns them, as data that can be sent */
export function compilePlans(dossiers: JobDossiers, state: Needed): Kept[] {
  return keptBy(pairsOf(dossiers), () => plan(dossiers, state))
}

/** Machine and kits together, then with each of several kits. */
function pairsOf(dossiers: JobDossiers): JobDossiers[] {
  return isJoined(dossiers.kit) ? [dossiers, ...memberJobs(dossiers).map((job) => job.dossiers)] : [dossiers]
}

/** Takes over plans that another thread has made of the same documents. */
export function takePlans(dossiers: JobDossiers, plans: readonly Kept[]): void {
  for (const [i, pair] of pairsOf(dossiers).entries()) remember(pair, plans[i] ?? {})
}
