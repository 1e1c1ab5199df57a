import type { Done } from '../journal/index.ts'
import type { LevelRun } from './ladder.ts'

export interface LevelState {
  /** Loaded runs by kit (of one alone ''), in the order they were made. */
  levelRuns: Record<string, (Done & LevelRun)[]>
}

export function freshLevels(): LevelState {
  return { levelRuns: {} }
}
