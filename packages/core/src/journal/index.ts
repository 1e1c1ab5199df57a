export { createJournal } from './createJournal.ts'
export { defineDecision, slotOf, type Slot } from './defineDecision.ts'
export {
  answerForm,
  entryIdField,
  entrySchema,
  hashField,
  headFields,
  idField,
  nameField,
  textField,
  type EntryForms,
} from './forms.ts'
export { defineEntry, known, type BodyIn, type EntryDefinition } from './defineEntry.ts'
export { instant, isAhead } from './instant.ts'
export {
  doneBy,
  type Decided,
  type Done,
  type EntryHead,
  type Held,
  type Refusal,
  type Stamps,
  type Undo,
} from './model.ts'
export { clientFields, type AppendOptions, type AppendPlan } from './planAppend.ts'
export { lastOfDevice, voidedEntries } from './replayEntries.ts'
