export { findEntries } from './entries.ts'
export { findFieldName, findFields, findLists, type FindList } from './findFields.ts'
export { findForms } from './forms.ts'
export { freshFinds, type Find, type FindState } from './state.ts'
