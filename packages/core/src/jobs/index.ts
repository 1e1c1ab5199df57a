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
export { checkReferences } from './checkReferences.ts'
export { gatedStations, jobFindings, openStops, type FindingContext, type JobFinding } from './jobFindings.ts'
export {
  currentTrim,
  earlierWorks,
  entryVersion,
  irreversibleActs,
  type CellChange,
  type EarlierWork,
  type EntryBody,
  type EntryKind,
  type IrreversibleAct,
  type JobDossiers,
  type JobState,
  type JournalEntry,
  type LogMapping,
  type MadeConnection,
  type NewEntry,
  type TrimRevision,
} from './model.ts'
export { clientFields, dependentsOf, planAppend, type AppendPlan } from './planAppend.ts'
export { replay, trimOfRevision, voidedEntries } from './replay.ts'
export { appendSchema, newEntrySchema } from './schema.ts'
export { planOf, stationNow, stationProgress, stepsOf, type StationProgress } from './stationProgress.ts'
export { planTicks, type Tick } from './planTicks.ts'
export { requireTrimBasis, trimBasis, type TrimBasis } from './trimBasis.ts'
export { undoBatch } from './undoBatch.ts'
export { jobFileSchema, readJobFile, type JobFile, type Provenance } from './jobFile.ts'
