export {
  accessEntries,
  alsoChosen,
  batteryChosen,
  coverName,
  coverOrderChosen,
  peopleChosen,
  wayChosen,
} from './entries.ts'
export {
  alsoTargets,
  batteryPracticeOf,
  batteryPractices,
  batteryPracticesFor,
  fixedWayTo,
  fixedWays,
  freshAccess,
  handOrderOf,
  inPractice,
  peopleOf,
  type AccessState,
  type BatteryPractice,
} from './state.ts'
export { accessGaps, type AccessGap } from './accessGaps.ts'
export { findTarget, readTargets, targetKey, toolsOf, waysTo } from './compileAccess.ts'
export { coverFrom } from './coverFrom.ts'
export { seenFrom } from './seenFrom.ts'
export { coversOver } from './coversOver.ts'
export type {
  AccessOptions,
  AccessPlan,
  AccessTarget,
  Closing,
  CoverOver,
  KnownMinutes,
  OrderBreak,
  PlannedTarget,
  Removal,
  TargetKind,
} from './model.ts'
export { accessSpread, planAccess, planReachable } from './planAccess.ts'
export { accessForms } from './forms.ts'
