import {
  compilePlans,
  learntTimes,
  replay,
  wholeDay,
  type JobDossiers,
  type JournalEntry,
  type TimeSample,
} from '@tidy-badger/core/jobs'
import { serve } from '../platform/serve.ts'

/** The documents of the open job, sent once: plans are kept with them, and most ticks need none anew. */
let open: { key: number; dossiers: JobDossiers } | null = null

function documents(key: number): JobDossiers {
  if (open?.key !== key) throw new Error(`jobs: the documents ${key} were not sent`)
  return open.dossiers
}

/** What is asked anew before it was begun is not worth its time: only the newest of each kind is. */
function newestOnly() {
  let asked = 0
  return async (): Promise<boolean> => {
    const mine = ++asked
    await new Promise((next) => setTimeout(next))
    return mine === asked
  }
}
const newestPlans = newestOnly()
const newestDay = newestOnly()

const withLearnt = (dossiers: JobDossiers, learnt: JobDossiers['learnt']): JobDossiers => ({
  ...dossiers,
  ...(learnt ? { learnt } : {}),
})

const api = {
  take(key: number, dossiers: JobDossiers) {
    open = { key, dossiers }
  },
  learn: (key: number, samples: readonly TimeSample[]) => learntTimes(documents(key), samples),
  /** What a job at these entries is planned to be; null where more was asked meanwhile. */
  async compile(key: number, learnt: JobDossiers['learnt'], entries: readonly JournalEntry[]) {
    if (!(await newestPlans())) return null
    const dossiers = withLearnt(documents(key), learnt)
    return compilePlans(dossiers, replay(dossiers, entries))
  },
  /** The day of a job at these entries; null where more was asked meanwhile. */
  async day(
    key: number,
    learnt: JobDossiers['learnt'],
    entries: readonly JournalEntry[],
    samples: readonly TimeSample[],
  ) {
    if (!(await newestDay())) return null
    const dossiers = withLearnt(documents(key), learnt)
    return wholeDay(documents(key), dossiers, replay(dossiers, entries), samples)
  },
}
export type PlanApi = typeof api

serve(api)
