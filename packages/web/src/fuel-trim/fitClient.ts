import type { LogReading, TrimProblem } from '@tidy-badger/core/fuel-trim'
import type { Remote } from 'comlink'
import type { FitApi, FitOutcome, ReadOutcome } from './fitWorker.ts'

export interface Running<T> {
  done: Promise<T>
  /** Ends the work at once, wherever it is. */
  cancel: () => void
}

export class Cancelled extends Error {}

export type Tell = (share: number, stage: string) => void

/**
 * Runs one piece of work in a worker of its own, so that ending it ends everything. How far it is comes on a way of its own and may be
 * overtaken by the end: what is told after that is not passed on.
 */
function inWorker<T>(tell: Tell, work: (api: Remote<FitApi>, tell: Tell) => Promise<T>): Running<T> {
  const worker = new Worker(new URL('./fitWorker.ts', import.meta.url), { type: 'module' })
  let over = false
  let cancel = () => {}
  const cancelled = new Promise<never>((_, refuse) => {
    cancel = () => refuse(new Cancelled('Cancelled'))
    worker.addEventListener('error', () => refuse(new Error('The log could not be worked on: the browser ended it.')))
  })
  // What speaks with the thread comes once there is a log.
  const worked = import('comlink').then(async ({ proxy, wrap }) => {
    const heard = proxy((share: number, stage: string) => {
      if (!over) tell(share, stage)
    })
    return work(wrap<FitApi>(worker), heard)
  })
  const done = Promise.race([worked, cancelled]).finally(() => {
    over = true
    worker.terminate()
  })
  return { done, cancel }
}

export function readLogFile(file: Blob, reading: LogReading, stoichAfr: number, tell: Tell): Running<ReadOutcome> {
  return inWorker(tell, async (api, heard): Promise<ReadOutcome> => api.read(file, reading, stoichAfr, heard))
}

export function fitLog(
  file: Blob,
  reading: LogReading,
  stoichAfr: number,
  problem: TrimProblem,
  tell: Tell,
): Running<FitOutcome> {
  return inWorker(tell, async (api, heard): Promise<FitOutcome> => api.fit(file, reading, stoichAfr, problem, heard))
}
