export { alsoKitCost, type AlsoKit } from './alsoKit.ts'
export { applyEntry } from './applyEntry.ts'
export {
  asProposed,
  differences,
  joinSchoolOf,
  locksOf,
  placeChoice,
  placeText,
  readPlace,
  type Difference,
} from './choices.ts'
export { invalidatedBy, movesDossiers, refsInForce, refsNamed, type JobRefs } from './dossierChange.ts'
export { aheadMs, instant, isAhead } from './instant.ts'
export { checkReferences } from './checkReferences.ts'
export { endProgress, endsDone, type EndProgress } from './endProgress.ts'
export { builtConnections, connectionsPlanned, jobMeter, type JobMeter } from './jobMeter.ts'
export { gatedStations, jobFindings, openStops, type FindingContext, type JobFinding } from './jobFindings.ts'
export {
  currentTrim,
  earlierWorks,
  entryVersion,
  irreversibleActs,
  partStates,
  photoShows,
  type CellChange,
  type EarlierWork,
  type EntryBody,
  type EntryKind,
  type Invalidated,
  type IrreversibleAct,
  type JobDossiers,
  type JobState,
  type JournalEntry,
  type LogMapping,
  type MadeConnection,
  type NewEntry,
  type PartState,
  type PhotoPlace,
  type PhotoShows,
  type RoutePart,
  type TrimRevision,
} from './model.ts'
export {
  clientFields,
  dependentsOf,
  mostUndoRuns,
  planAppend,
  type AppendOptions,
  type AppendPlan,
} from './planAppend.ts'
export { replay, trimOfRevision, voidedEntries } from './replay.ts'
export { appendSchema, dossierRefSchema, newEntrySchema } from './schema.ts'
export {
  alsoTargets,
  batterySchoolOf,
  batterySchools,
  batterySchoolsFor,
  fixedWays,
  handOrderOf,
  peopleOf,
  readList,
  takeInQuestions,
  wayChoice,
  type BatterySchool,
  type TakeInQuestion,
} from './accessChoices.ts'
export { accessOf, accessOptionsOf, alsoCost, coverName, jobTargets, targetPlace } from './jobAccess.ts'
export { daySpread, jobDay, jobTasks, wordsOf, type DayTask, type JobDay, type LearntTimes } from './jobTasks.ts'
export { learntDay, learntTimes, measuredMinutes, type MeasuredMinutes, type TimeSample } from './measuredMinutes.ts'
export { consumables, missingTools, toolsNeeded, type Consumable, type ToolNeed } from './materials.ts'
export { electricsOf, loomPassages, plannedLoom, plannedRoute, plannedPassages, type JobElectrics } from './jobRoute.ts'
export {
  farChoice,
  farPlacesOf,
  groundSchoolOf,
  mountSchoolOf,
  powerSchoolOf,
  routeSchools,
  tieReasons,
  tieSchoolOf,
  tieSchools,
} from './routeChoices.ts'
export { groundCard, lockCard } from './routeFindings.ts'
export { planOf } from './planOf.ts'
export {
  isStationDone,
  stationBars,
  stationNow,
  stationProgress,
  type StationBar,
  type StationProgress,
} from './stationProgress.ts'
export { timeReport, type TimeReport, type TimeRow } from './timeReport.ts'
export { timersOf, type RunningTimer } from './timers.ts'
export { trayBars, trayOf, type TrayItem } from './tray.ts'
export { variantQuestions, type VariantQuestion } from './variantQuestions.ts'
export { jobSteps, madeFor, stepsOf } from './jobSteps.ts'
export { openAsks, openWait, reasonAsked, reasonIsGiven, stepAsks } from './stepAsks.ts'
export { entriesOfWork, entryOfWork, workOf, type TickWords, type WorkItem } from './workItems.ts'
export { planTicks, type Tick } from './planTicks.ts'
export { requireTrimBasis, trimBasis, type TrimBasis } from './trimBasis.ts'
export { undoBatch } from './undoBatch.ts'
export { jobFileSchema, readJobFile, type JobFile, type Provenance } from './jobFile.ts'
export { mountPlaceOf, mountPlaceWhy, routesOf } from './mountPlace.ts'
