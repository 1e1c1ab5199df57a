import { takePlans, type JobDossiers, type JournalEntry } from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import type { PlanApi } from './planWorker.ts'

let worker: { api: Remote<PlanApi>; broke: Promise<never> } | null = null
let sent: ({ key: number } & Pick<JobDossiers, 'machine' | 'kit'>) | null = null

/** Starts the thread that plans: called early, so that it has read its script when the first job is here. */
export function wakePlanner(): { api: Remote<PlanApi>; broke: Promise<never> } {
  if (worker) return worker
  const thread = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' })
  const broke = new Promise<never>((_, fail) =>
    thread.addEventListener('error', () => fail(new Error('The planner could not be started.'))),
  )
  // Whoever waits for a plan hears of it.
  broke.catch(() => undefined)
  worker = { api: wrap<PlanApi>(thread), broke }
  return worker
}

/** Has the plans of a job made beside the screen, and takes them over. @throws where that thread does not work */
export async function planBeside(dossiers: JobDossiers, entries: readonly JournalEntry[]): Promise<void> {
  const { api, broke } = wakePlanner()
  const { machine, kit, learnt } = dossiers
  if (sent?.machine !== machine || sent.kit !== kit) {
    sent = { key: (sent?.key ?? 0) + 1, machine, kit }
    void api.take(sent.key, { machine, kit })
  }
  const plans = await Promise.race([api.compile(sent.key, learnt, [...entries]), broke])
  if (plans) takePlans(dossiers, plans)
}
