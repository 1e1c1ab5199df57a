export { createJournal, type JournalForm } from './createJournal.ts'
export { defineDecision, sameValue } from './defineDecision.ts'
export {
  defineEntry,
  entryIdField,
  hashField,
  idField,
  known,
  nameField,
  textField,
  type BodyIn,
  type EntryDefinition,
} from './defineEntry.ts'
export { aheadMs, instant, isAhead } from './instant.ts'
export {
  doneBy,
  type AnyEntry,
  type AnyState,
  type Decided,
  type Done,
  type EntryHead,
  type Held,
  type Refusal,
  type Stamps,
  type Undo,
} from './model.ts'
export { clientFields, mostUndoRuns, type AppendOptions, type AppendPlan } from './planAppend.ts'
export { voidedEntries } from './replayEntries.ts'
