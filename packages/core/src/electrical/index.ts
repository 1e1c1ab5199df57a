export {
  feedPracticeOf,
  feedingChosen,
  freshSupply,
  groundPracticeOf,
  groundingChosen,
  supplyEntries,
  type SupplyState,
} from './entries.ts'
export {
  ampacityA,
  bladeFusesA,
  chooseFuse,
  fuseOverLoad,
  judgeFuse,
  type FuseAsked,
  type FuseChoice,
  type FuseVerdict,
} from './chooseFuse.ts'
export {
  feedOptions,
  idleDays,
  idleDaysWanted,
  parkedDays,
  usablePct,
  type FeedKind,
  type FeedOption,
} from './feedOptions.ts'
export { feedPractices, feedReasons, type FeedPractice } from './feedPractices.ts'
export {
  feedCardOf,
  feedCards,
  feedTests,
  judgeFeed,
  type FeedCard,
  type FeedTest,
  type FeedVerdict,
} from './feedTests.ts'
export {
  groundPlaces,
  groundReasons,
  groundPractices,
  groundWords,
  judgeGround,
  type GroundPlace,
  type GroundVerdict,
} from './groundCheck.ts'
export { idleDrain, lastsWords, type IdleDrainAsked } from './idleDrain.ts'
export { spliceLayout, type SpliceLayout } from './spliceLayout.ts'
export { conductorTemperatureC, fuseOf, inrushNote, supplyLine, type LineJoint, type SupplyLine } from './supplyLine.ts'
export { airAtEnd, netOfMatch, supplyOf, type Supply } from './supplyOf.ts'
export { atLeast, atMost, dropLimitsV, type DropUse, type Verdict } from './verdict.ts'
export { awgAreaMm2, awgDiameterMm } from '../shared/index.ts'
export { runResistanceOhm, wireRun, type WireRun, type WireRunAsked } from './wireRun.ts'
export { fuseFindings, judgeFeedFuse } from './fuseFindings.ts'
export { supplyRules, type SupplyRule } from './rules.ts'
export { supplyWords, type SupplyFacts } from './words.ts'
export { sharedFeeds, type SharedFeed } from './sharedFeeds.ts'
export { jointsApartMm, sharedSignals, type SharedSignal } from './sharedSignals.ts'
export { supplyForms } from './forms.ts'
