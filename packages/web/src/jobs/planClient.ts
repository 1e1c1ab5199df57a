import {
  plannersLater,
  replay,
  takePlans,
  type JobDossiers,
  type JournalEntry,
  type LearntTimes,
  type TimeSample,
  type WholeDay,
} from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import { documentSender } from '../platform/sentDocuments.ts'
import type { PlanApi } from './planWorker.ts'

interface Planner {
  api: Remote<PlanApi>
  broke: Promise<never>
}

let planner: Planner | null = null
const keyOf = documentSender()

/** Starts the thread that plans: called early, so that it has read its script when the first job is here. */
export function wakePlanner(): Planner {
  if (planner) return planner
  const thread = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' })
  const broke = new Promise<never>((_, fail) =>
    thread.addEventListener('error', () => fail(new Error('The planner could not be started.'))),
  )
  // Whoever waits for a plan hears of it.
  broke.catch(() => undefined)
  planner = { api: wrap<PlanApi>(thread), broke }
  return planner
}

/** What makes plans on the screen's own thread: not part of the first view, which takes them from the other. */
export async function plansHere() {
  const here = await import('./planHere.ts')
  here.startPlanning()
  return here
}

// A view that asks for a plan nobody has made waits for what makes it, as for any part of a page that is still on its way.
plannersLater(() => {
  throw plansHere()
})

/** Asks the planner about a job, once it has the job's documents. @throws where that thread does not work */
async function ask<T>(dossiers: JobDossiers, what: (api: Remote<PlanApi>, key: number) => Promise<T>): Promise<T> {
  const { api, broke } = wakePlanner()
  return Promise.race([what(api, keyOf(dossiers, api.take)), broke])
}

/** Has the plans of a job made beside the screen, and takes them over. @throws where that thread does not work */
export async function planBeside(dossiers: JobDossiers, entries: readonly JournalEntry[]): Promise<void> {
  const plans = await ask(dossiers, (api, key) => api.compile(key, dossiers.learnt, [...entries]))
  if (plans) takePlans(dossiers, plans)
}

/** What finished jobs taught about the times of a job. @param taught its documents, without what was learnt */
export function learnBeside(taught: JobDossiers, samples: TimeSample[]): Promise<LearntTimes> {
  return ask(taught, (api, key) => api.learn(key, samples)).catch(async () =>
    (await plansHere()).learntTimes(taught, samples),
  )
}

/** The day of a job; null where another was asked for meanwhile. @param taught its documents, without what was learnt */
export function dayBeside(
  taught: JobDossiers,
  dossiers: JobDossiers,
  entries: readonly JournalEntry[],
  samples: TimeSample[],
): Promise<WholeDay | null> {
  return ask(dossiers, (api, key) => api.day(key, dossiers.learnt, [...entries], samples)).catch(async () =>
    (await plansHere()).wholeDay(taught, dossiers, replay(dossiers, entries), samples),
  )
}
