export { applyEntry } from './applyEntry.ts'
export { checkReferences } from './checkReferences.ts'
export { gatedStations, jobFindings, openStops, type JobFinding } from './jobFindings.ts'
export {
  currentTrim,
  entryVersion,
  type CellChange,
  type EntryBody,
  type EntryKind,
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
export { undoBatch } from './undoBatch.ts'
export { jobFileSchema, readJobFile, type JobFile, type Provenance } from './jobFile.ts'
