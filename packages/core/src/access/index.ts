export { accessGaps, type AccessGap } from './accessGaps.ts'
export { findTarget, readTargets, targetKey, toolsOf, waysTo } from './compileAccess.ts'
export type {
  AccessOptions,
  AccessPlan,
  AccessTarget,
  Closing,
  KnownMinutes,
  OrderBreak,
  PlannedTarget,
  Removal,
  TargetKind,
} from './model.ts'
export { planAccess, planReachable } from './planAccess.ts'
