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
export { alignPulls, heldGear, pullAt, type PullAxis } from './alignment.ts'
export { workOutCoastDown, type CoastAsked, type CoastDown, type CoastRun } from './coastDown.ts'
export { comparePulls, studentT, type Claim, type ComparedPoint, type Comparison, type GainRange } from './compare.ts'
export { findPulls, type FoundPull } from './findPulls.ts'
export { powerOf, torqueOf, type Pull, type PullAsked, type PullPoint, type PullRow, type Road } from './model.ts'
export { workOutPull } from './pull.ts'
export { readPullCsv } from './readPullCsv.ts'
export { provingEntries } from './entries.ts'
export { provingForms } from './forms.ts'
export { freshProving, pullTimes, type ProvingState, type PullMade, type PullTime } from './state.ts'
