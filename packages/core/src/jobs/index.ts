export { alsoKitCost, type AlsoKit } from './alsoKit.ts'
export {
  invalidatedBy,
  keyedKits,
  kitRefs,
  movesDossiers,
  refsInForce,
  refsNamed,
  type JobRefs,
} from './dossierChange.ts'
export { endProgress, endsDone, ownEnds, type EndProgress } from './endProgress.ts'
export { answered } from './entries.ts'
export { dossierRefSchema } from './forms.ts'
export { entryWords } from './entryWords.ts'
export {
  builtConnections,
  connectionsPlanned,
  jobMeter,
  jobSupplies,
  type JobMeter,
  type JobSupply,
} from './jobMeter.ts'
export { gatedStations, jobFindings, type FindingContext, type JobFinding } from './jobFindings.ts'
export { checkReferences, dependentsOf, planAppend, replay, undoBatch } from './jobJournal.ts'
export { entryVersion, type EntryBody, type EntryKind, type JournalEntry, type NewEntry } from './model.ts'
export {
  nothingDecided,
  takeInQuestions,
  type Invalidated,
  type JobDossiers,
  type JobState,
  type TakeInQuestion,
} from './state.ts'
export { thingsOfEnd, thingsOfWork, type FindThing } from './findThings.ts'
export { metGuesses, type MetGuess } from './metGuesses.ts'
export { byNeed, newestFirst } from './needOrder.ts'
export { newEntrySchema } from './jobForms.ts'
export { appendSchema } from './schema.ts'
export { upcastEntry, upcastStamped, type OlderChoice } from './upcastEntry.ts'
export { ruleCatalogue, rulesByRoom } from './ruleCatalogue.ts'
export { accessOf, accessOptionsOf, alsoCost, jobTargets, targetPlace } from './jobAccess.ts'
export { wholeDay, type WholeDay } from './wholeDay.ts'
export { daySpread, jobDay, jobTasks, type DayTask, type JobDay, type LearntTimes } from './jobTasks.ts'
export {
  commonKey,
  learntDay,
  learntTimes,
  measuredMinutes,
  type MeasuredMinutes,
  type TimeSample,
} from './measuredMinutes.ts'
export { consumables, missingTools, toolsNeeded, type Consumable, type ToolNeed } from './materials.ts'
export { feedsOf } from './jobFeeds.ts'
export {
  electricsOf,
  loomPassages,
  plannedLoom,
  plannedLooms,
  type MemberLoom,
  plannedRoute,
  plannedPassages,
  type JobElectrics,
} from './jobRoute.ts'
export { sensorLead } from './bossFindings.ts'
export { leakName } from './intakeLeaks.ts'
export type { WorkAsk } from './capability.ts'
export { lockCard } from './routeFindings.ts'
export { groundCard } from './supplyFindings.ts'
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
export { plannersLater, providePlanners, type Planners } from './planners.ts'
export { compilePlans, plansKnown, takePlans } from './compiledPlans.ts'
export { wakesAt } from './wakeMoment.ts'
export { wakeCard, type WakeCard, type WakeLead } from './wakeCard.ts'
export { withBench } from './withBench.ts'
export { jobSteps, madeFor, stepsOf } from './jobSteps.ts'
export { workedOut, workOutJob, type WorkedOut } from './workOutJob.ts'
export { openAsks, openWait, reasonAsked, reasonIsGiven, stepAsks } from './stepAsks.ts'
export { entriesOfWork, isStart, stationWork, wordsOf, type TickWords, type WorkItem } from './workItems.ts'
export { planTicks, type Tick } from './planTicks.ts'
export { smoothWork } from './smoothWork.ts'
export { jobFileSchema, readJobFile, type JobFile, type Provenance } from './jobFile.ts'
export { mountPlaceOf, mountPlacesOf, mountPlaceWhy, routesOf, type MemberPlace } from './mountPlace.ts'
export { namedForMember } from './namedForMember.ts'
export { jobOf, memberChosen, memberJobs, memberState, type MemberJob } from './members.ts'
