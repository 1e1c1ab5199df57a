import type { MinutesSpread } from '../scheduling/index.ts'
import { daySpread, jobDay, type JobDay, type LearntTimes } from './jobTasks.ts'
import { learntDay, learntTimes, type TimeSample } from './measuredMinutes.ts'
import type { JobDossiers, JobState } from './state.ts'

/** The day of a job, how long it takes, and what finished jobs taught about it. */
export interface WholeDay extends JobDay {
  learnt: LearntTimes
  spread: { whole: MinutesSpread; left: MinutesSpread }
}

/**
 * The day of a job by what finished jobs taught. Takes some hundred schedules: not for a screen's own thread.
 * @param taught the documents as times were taught on them: without what was learnt
 */
export function wholeDay(
  taught: JobDossiers,
  dossiers: JobDossiers,
  state: JobState,
  samples: readonly TimeSample[],
): WholeDay {
  const learnt = learntTimes(taught, samples)
  const day = jobDay(dossiers, state, learnt, learntDay(taught, samples))
  return { ...day, learnt, spread: daySpread(day) }
}
