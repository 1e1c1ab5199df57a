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
export { airflowChange, airflowNet, type AirflowAsked, type AirflowNet } from './airflowNet.ts'
export { behindTurbineK, beforeTurbine, runFromLog, steadyKs, type RunOfLog } from './runFromLog.ts'
export { derateC, thresholds, type Threshold } from './thresholds.ts'
export { coolDownLeft, coolDownMin, ladderFor, laddersByUse, levelUses, type LevelUse } from './uses.ts'
export { levelMap, type LevelCell, type LevelMapAsked } from './levelMap.ts'
export { levelEntries } from './entries.ts'
export { levelFindings, levelRules, levelWords, usualLimits, type LevelRule } from './findings.ts'
export { levelForms } from './forms.ts'
export { freshLevels, type LevelRunMade, type LevelState } from './state.ts'
