import { proposeMatches, type Match } from '../wiring/index.ts'
import { locksOf } from './choices.ts'
import type { JobDossiers, JobState } from './model.ts'

/** Ends as the plan has them, choices of the job kept; computed once per pair of dossiers and set of choices. */
export function planOf(dossiers: JobDossiers, state?: Pick<JobState, 'choices'>): Match[] {
  const locks = state ? locksOf(dossiers.kit, state) : []
  const key = JSON.stringify(locks)
  const known = plans.get(dossiers) ?? new Map<string, Match[]>()
  plans.set(dossiers, known)
  const plan = known.get(key) ?? proposeMatches(dossiers.machine, dossiers.kit, locks)
  known.set(key, plan)
  return plan
}
const plans = new WeakMap<JobDossiers, Map<string, Match[]>>()
