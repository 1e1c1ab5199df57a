export { sensorEntries } from './entries.ts'
export { sensorForms } from './forms.ts'
export {
  aboveOnStandDeg,
  bossFrom,
  bossPoints,
  judgeBoss,
  leastAboveDeg,
  leastBehindMm,
  leastOnWheelsDeg,
  leastTailMm,
  mostBehindMm,
  type BossCheck,
  type BossMeasured,
} from './judgeBoss.ts'
export { sensorRules, type SensorRule } from './rules.ts'
export { freshSensors, pipeActs, type PipeAct, type SensorState } from './state.ts'
export { pipeBars, pipeMinutes, pipeWork, sensorFindings, weldsBoss, type PipeTask } from './work.ts'
export { sensorWords, sensorWorkWords, type SensorFacts } from './words.ts'
