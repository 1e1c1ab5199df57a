import {
  compilePlans,
  learntTimes,
  replay,
  wholeDay,
  type JobDossiers,
  type JournalEntry,
  type TimeSample,
} from '@tidy-badger/core/jobs'
import { startPlanning } from '@tidy-badger/core/planning'
import { documentTaker } from '../platform/sentDocuments.ts'
import { serve } from '../platform/serve.ts'

startPlanning()
const documents = documentTaker()

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

export const api = {
  take: documents.take,
  learn: (key: number, samples: readonly TimeSample[]) => learntTimes(documents.of(key), samples),
  /** What a job at these entries is planned to be; null where more was asked meanwhile. */
  async compile(key: number, learnt: JobDossiers['learnt'], entries: readonly JournalEntry[]) {
    if (!(await newestPlans())) return null
    const dossiers = { ...documents.of(key), learnt }
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
    const dossiers = { ...documents.of(key), learnt }
    return wholeDay(documents.of(key), dossiers, replay(dossiers, entries), samples)
  },
}
export type PlanApi = typeof api

serve(api)
