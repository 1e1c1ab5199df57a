export {
  mayRegenerate,
  regenerationAborts,
  regenerationList,
  sootWindow,
  type Condition,
  type RegenerationReadings,
} from './regeneration.ts'
export { inletCoolC, runOn, type RunOn, type RunOnAsked } from './runOn.ts'
export { monitorDrives, monitorsOf, readinessOf, type MonitorId, type Readiness } from './readiness.ts'
export { aftertreatmentEntries } from './entries.ts'
export { aftertreatmentForms } from './forms.ts'
export {
  barredMeanwhile,
  freshAftertreatment,
  regenerating,
  type AftertreatmentState,
  type RegenerationPhase,
} from './state.ts'
