import { findsAllKnown, keptBy, remember, type Kept } from '../shared/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { accessOf } from './jobAccess.ts'
import { electricsOf, plannedRoute } from './jobRoute.ts'
import { jobSteps } from './jobSteps.ts'
import { routesOf } from './mountPlace.ts'
import type { JobDossiers, JobState } from './state.ts'

type Needed = Pick<JobState, 'decided' | 'found'>

/** The plans that every view of a job stands on: where ends go, how the loom lies, where power comes from, what comes off, in what order. */
function plan(dossiers: JobDossiers, state: Needed): void {
  connectionPlan(dossiers, state)
  routesOf(dossiers, state)
  plannedRoute(dossiers, state)
  electricsOf(dossiers, state)
  accessOf(dossiers, state)
  jobSteps(dossiers, state)
}

/** Whether all plans of a job are there, so that showing it makes none. */
export function plansKnown(dossiers: JobDossiers, state: Needed): boolean {
  return findsAllKnown(() => plan(dossiers, state))
}

/** Makes the plans of a job, in a thread that holds no screen. @returns them, as data that can be sent */
export function compilePlans(dossiers: JobDossiers, state: Needed): Kept {
  return keptBy(() => plan(dossiers, state))
}

/** Takes over plans that another thread has made of the same documents. */
export function takePlans(dossiers: JobDossiers, plans: Kept): void {
  remember(dossiers, plans)
}
