import { Worker } from 'node:worker_threads'
import type { TrimSuggestion } from '@tidy-badger/core/fuel-trim'
import type { Outcome } from '@tidy-badger/core/shared'
import { Refusal } from '../platform/errors.ts'
import type { FitTask } from './fitWorker.ts'

export type FitPool = ReturnType<typeof fitPool>

/**
 * Fits in a worker thread, one after the other, each within a time limit. A fit over its time is ended with its thread;
 * the next one gets a fresh thread.
 */
export function fitPool(limitMs: number) {
  let worker: Worker | undefined
  let last: Promise<unknown> = Promise.resolve()

  function thread(): Worker {
    worker ??= new Worker(new URL('./fitThread.mjs', import.meta.url), { execArgv: [] }).on(
      'exit',
      () => (worker = undefined),
    )
    worker.unref()
    return worker
  }

  function run(task: FitTask): Promise<Outcome<TrimSuggestion>> {
    const current = thread()
    return new Promise((done, failed) => {
      const clear = () => {
        clearTimeout(timer)
        current.off('message', finish)
        current.off('error', fail)
      }
      const finish = (outcome: Outcome<TrimSuggestion>) => {
        clear()
        done(outcome)
      }
      const fail = (error: Error) => {
        clear()
        worker = undefined
        failed(error)
      }
      const timer = setTimeout(() => {
        clear()
        worker = undefined
        void current.terminate()
        failed(
          new Refusal('too-slow', {
            code: 'fit-too-slow',
            path: 'log.csv',
            message: `The fit took longer than ${limitMs / 1000} s and was ended. Send a shorter log or a smaller table.`,
          }),
        )
      }, limitMs)
      current.on('message', finish)
      current.on('error', fail)
      current.postMessage(task)
    })
  }

  return {
    fit(task: FitTask): Promise<Outcome<TrimSuggestion>> {
      const turn = last.then(
        () => run(task),
        () => run(task),
      )
      last = turn
      return turn
    },
    async close(): Promise<void> {
      await worker?.terminate()
    },
  }
}
