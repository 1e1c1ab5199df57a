import { openWorkPool, type WorkPool } from './platform/workPool.ts'

const pool = openWorkPool(Infinity)

/**
 * One pool for all servers of all test files of a thread: a thread of it takes seconds to load. What a machine busy with other things takes is
 * nobody's failure: the only limits are those a test itself sets.
 */
export const testPool: WorkPool = {
  run: (module, name, input, limitMs = 240_000, late) => pool.run(module, name, input, limitMs, late),
  close: () => Promise.resolve(),
}
