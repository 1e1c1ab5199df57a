import type { Done } from '../journal/index.ts'
import type { LevelRun } from './ladder.ts'
import type { LevelUse } from './uses.ts'

/** A loaded run as it was made: for what use, and how high up. */
export type LevelRunMade = Done & LevelRun & { use?: LevelUse; altitudeM?: number }

export interface LevelState {
  /** Loaded runs by kit (of one alone ''), in the order they were made. */
  levelRuns: Record<string, LevelRunMade[]>
}

export function freshLevels(): LevelState {
  return { levelRuns: {} }
}
