export { abortRules } from './abortRules.ts'
export {
  judgeLadder,
  levelName,
  type Ladder,
  type LadderMiss,
  type LevelLimit,
  type LevelReading,
  type LevelRun,
} from './ladder.ts'
export { levelMap, type LevelCell, type LevelMapAsked } from './levelMap.ts'
export { levelEntries } from './entries.ts'
export { levelFindings, levelRules, levelWords, usualLimits, type LevelRule } from './findings.ts'
export { levelForms } from './forms.ts'
export { freshLevels, type LevelState } from './state.ts'
