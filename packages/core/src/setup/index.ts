export { setupEntries } from './entries.ts'
export { mostSpeedOffPct, setupBars, setupFindings, type SetupScene } from './findings.ts'
export {
  captureExpected,
  joinedNets,
  judgeCapture,
  judgeSweep,
  readSweepText,
  type CaptureExpected,
} from './judgeCapture.ts'
export { changesPedal, isController, isThrottle, levelChoice, pedalLevels } from './kitNeeds.ts'
export { creepLimitPct, pedalGains, type PedalGain } from './pedalGains.ts'
export { pedalPositions, pedalProof, pedalWithinV, type PedalVerdict } from './pedalProof.ts'
export { setupRules, type SetupRule } from './rules.ts'
export {
  coolantLimitC,
  exhaustLimitC,
  settingsSheet,
  wantedWords,
  type SheetRow,
  type SheetState,
  type Wanted,
} from './settingsSheet.ts'
export { meant, noSuch } from './meantKit.ts'
export { leastKnobRoomMm, partsFor } from './unitFindings.ts'
export {
  freshSetup,
  levelPlaces,
  type LevelPlace,
  type SelectorClick,
  type CapturedThrottle,
  type PedalPoint,
  type SetupState,
} from './state.ts'
export { setupForms } from './forms.ts'
export { pulseSetting, type PulseAnswer, type PulsesAsked } from './pulseSetting.ts'
export { printedTyre, squat, type PrintedTyre } from './printedTyre.ts'
export { readHeight } from './readHeight.ts'
export { roadSpeed, type RoadSpeedAsked } from './roadSpeed.ts'
export { selectorClicks } from './selectorClicks.ts'
export { supplyGuard, type SupplyAsked, type SupplyVerdict } from './supplyGuard.ts'
export { throttleSweep, type SweepAnswer, type SweepAsked, type SweepSample } from './throttleSweep.ts'
export { tyreError, type TyreAsked, type TyreError } from './tyreError.ts'
export { setupWords, setupWorkWords, type SetupFacts } from './words.ts'
export { setupWork, valueOf, type SetupTask } from './work.ts'
