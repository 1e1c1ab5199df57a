import { wrap, type Remote } from 'comlink'
import type { AccessApi } from './accessWorker.ts'

let api: Remote<AccessApi> | undefined

/** The plan of a large machine, finished exactly however long it takes. */
export function finishPlan(...asked: Parameters<AccessApi['finish']>): ReturnType<Remote<AccessApi>['finish']> {
  api ??= wrap<AccessApi>(new Worker(new URL('./accessWorker.ts', import.meta.url), { type: 'module' }))
  return api.finish(...asked)
}
