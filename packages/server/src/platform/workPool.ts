import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { refusal, type Refusal } from './errors.ts'

/** Calls functions of a module in a worker thread. */
export interface WorkPool {
  /**
   * @param module address of the module, `new URL('./worker.ts', import.meta.url)`
   * @param name of the function it exports
   * @param input what the function is given; copied
   * @param limitMs the longest it may take, waiting included; the thread is ended then
   * @param late what to say when it takes longer
   * @throws Refusal when it takes longer, or when too much waits already
   */
  run<T>(module: URL, name: string, input: unknown, limitMs?: number, late?: (limitMs: number) => Refusal): Promise<T>
  close(): Promise<void>
}

/** What a person waits for an answer, ms. */
export const patienceMs = 20_000

function tooSlow(limitMs: number): Refusal {
  return refusal(
    'unavailable',
    'too-slow',
    `This takes longer than ${limitMs / 1000} s and was ended. Ask for less at once.`,
  )
}

/**
 * Worker threads for plans, fits, checks of whole documents and long replays, so that the server itself answers on.
 * @param idleMs after which a thread that has nothing to do is ended
 */
export function openWorkPool(idleMs = 60_000): WorkPool {
  let pool: Piscina | undefined
  const threads = () =>
    (pool ??= new Piscina({
      filename: new URL('./workThread.mjs', import.meta.url).href,
      minThreads: 0,
      maxThreads: Math.max(2, availableParallelism() - 1),
      idleTimeout: idleMs,
      maxQueue: 200,
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: 1024 },
    }))
  return {
    async run<T>(module: URL, name: string, input: unknown, limitMs = patienceMs, late = tooSlow): Promise<T> {
      const ending = AbortSignal.timeout(limitMs)
      try {
        return await threads().run({ module: module.href, name, input }, { signal: ending })
      } catch (error) {
        if (ending.aborted) throw late(limitMs).again(5)
        if (error instanceof Error && /queue is at limit|Worker terminated due to reaching memory/.test(error.message))
          throw refusal('unavailable', 'busy', 'More work waits than can be done now. Try again in a moment.').again(5)
        throw error
      }
    },
    async close() {
      await pool?.destroy()
    },
  }
}
