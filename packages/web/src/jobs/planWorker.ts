import { compilePlans, replay, type JobDossiers, type JournalEntry } from '@tidy-badger/core/jobs'
import { serve } from '../platform/serve.ts'

/** Counts what is asked: only the newest is worth its time. */
let asked = 0

/** The documents of the open job, sent once. */
let open: { key: number; dossiers: JobDossiers } | null = null

const api = {
  take(key: number, dossiers: JobDossiers) {
    open = { key, dossiers }
  },
  /** What a job at these entries is planned to be, on the documents sent before; null where more was asked meanwhile. */
  async compile(key: number, learnt: JobDossiers['learnt'], entries: readonly JournalEntry[]) {
    const mine = ++asked
    await new Promise((next) => setTimeout(next))
    if (mine !== asked) return null
    if (open?.key !== key) throw new Error(`jobs: the documents ${key} were not sent`)
    const dossiers: JobDossiers = { ...open.dossiers, ...(learnt ? { learnt } : {}) }
    return compilePlans(dossiers, replay(dossiers, entries))
  },
}
export type PlanApi = typeof api

serve(api)
