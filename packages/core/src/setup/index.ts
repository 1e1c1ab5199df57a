export { setupEntries } from './entries.ts'
export { freshSetup, type SetupState } from './state.ts'
export { setupForms } from './forms.ts'
