export { signedPct } from './signedPct.ts'
export { readingOptions, readLogBytes, type LogReading } from './readLogBytes.ts'
export { LogReader, largestLogBytes, type RawLog, type ReadOptions } from './LogReader.ts'
export { interpretLog, type ChosenUnits, type InterpretedLog } from './interpretLog.ts'
export { logRoles, neededRoles, unitChoices, type LogRole, type LogUnit } from './recogniseColumns.ts'
export { thinLog, type LogStretch } from './thinLog.ts'
export { suggestTrims } from './suggestTrims.ts'
export { targetAt, tableAt } from './bilinear.ts'
export {
  defaultLimits,
  defaultOptions,
  fitVersion,
  rejectReasons,
  type AfrTarget,
  type FilterLimits,
  type Matrix,
  type Progress,
  type RejectReason,
  type RideLog,
  type TrimAxes,
  type TrimCell,
  type TrimOptions,
  type TrimProblem,
  type TrimSuggestion,
} from './model.ts'
