import type { JobDay } from '@tidy-badger/core/jobs'
import type { MinutesSpread } from '@tidy-badger/core/scheduling'
import { wrap, type Remote } from 'comlink'
import type { DayApi } from './dayWorker.ts'

let api: Remote<DayApi> | undefined

/** How long the day takes, worked out beside the screen. */
export function spreadOf(day: JobDay): Promise<{ whole: MinutesSpread; left: MinutesSpread }> {
  api ??= wrap<DayApi>(new Worker(new URL('./dayWorker.ts', import.meta.url), { type: 'module' }))
  return api.spread({ tasks: day.tasks, people: day.people, factor: day.factor })
}

/** The plan of a large machine, finished exactly however long it takes. */
export function finishPlan(...asked: Parameters<DayApi['finish']>): ReturnType<Remote<DayApi>['finish']> {
  api ??= wrap<DayApi>(new Worker(new URL('./dayWorker.ts', import.meta.url), { type: 'module' }))
  return api.finish(...asked)
}
