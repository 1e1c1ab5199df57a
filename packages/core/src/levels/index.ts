export {
  abortRules,
  judgeLadder,
  type Ladder,
  type LadderMiss,
  type LevelLimit,
  type LevelReading,
  type LevelRun,
} from './ladder.ts'
export { levelMap, type LevelCell, type LevelMapAsked } from './levelMap.ts'
