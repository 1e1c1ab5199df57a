export {
  approvalsAsked,
  approvalWords,
  claimOf,
  claimWords,
  gainFigures,
  provingFindings,
  provingRules,
  provingWords,
  wantsApproval,
  type ProvingRule,
} from './approvals.ts'
export {
  airDensity,
  correctionFactor,
  corrections,
  factorOf,
  pressureAt,
  vapourKPa,
  type Air,
  type Correction,
} from './air.ts'
export { alignPulls, alongAxis, heldGear, pullAt, type PullAxis } from './alignment.ts'
export { workOutCoastDown, type CoastAsked, type CoastDown, type CoastRun } from './coastDown.ts'
export { comparePulls, studentT, type Claim, type ComparedPoint, type Comparison, type GainRange } from './compare.ts'
export {
  certainties,
  gainWords,
  isBoosted,
  jobProof,
  powerGained,
  signed,
  type Certainty,
  type JobProof,
} from './jobProof.ts'
export { judgePulls, type JudgedPulls } from './conditions.ts'
export { shiftPoints, type ShiftPoint } from './shiftPoints.ts'
export { findPulls, type FoundPull } from './findPulls.ts'
export {
  powerOf,
  torqueOf,
  type Pull,
  type PullAsked,
  type PullConditions,
  type PullPoint,
  type PullRow,
  type Road,
} from './model.ts'
export { workOutPull } from './pull.ts'
export { readCoastCsv, readPullCsv, type PullColumn } from './readPullCsv.ts'
export { provingEntries } from './entries.ts'
export { provingForms } from './forms.ts'
export {
  freshProving,
  pullSources,
  pullTimes,
  type ProvingState,
  type PullMade,
  type PullSource,
  type PullTime,
} from './state.ts'
