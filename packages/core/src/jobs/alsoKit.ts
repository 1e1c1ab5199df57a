import { freshState } from './jobJournal.ts'
import type { JobDossiers, JobState } from './state.ts'
import type { Kit } from '../dossiers/index.ts'
import { expectedMinutes } from '../scheduling/index.ts'
import { alsoCost, jobTargets } from './jobAccess.ts'
import { jobTasks } from './jobTasks.ts'

/** What fitting another kit in the same day adds. */
export interface AlsoKit {
  covers: string[]
  /** Covers and ways that come on top. */
  accessMinutes: number
  /** The kit's own work: its ends, its way, ties, set-up, proof and rides. */
  workMinutes: number
}

/** What another kit would cost while the machine is open anyway: everything, not only what must come off for it. */
export function alsoKitCost(dossiers: JobDossiers, state: JobState, kit: Kit): AlsoKit {
  const other: JobDossiers = { machine: dossiers.machine, kit }
  const fresh = freshState(other)
  const cost = alsoCost(dossiers, state, jobTargets(other, fresh))
  const machineSteps = new Set(dossiers.machine.steps.map((step) => `step.${step.id}`))
  // Covers, and what the machine asks of every job, are in the day already.
  const shared = (id: string) => machineSteps.has(id) || /^(off|on|wait)\./.test(id)
  const own = jobTasks(other, fresh).filter((task) => task.hands > 0 && !shared(task.id))
  return {
    covers: cost?.covers ?? [],
    accessMinutes: cost?.minutes ?? 0,
    workMinutes: own.reduce((sum, task) => sum + expectedMinutes(task.minutes), 0),
  }
}
