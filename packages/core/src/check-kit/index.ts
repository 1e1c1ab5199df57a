export { checkKitEntries } from './entries.ts'
export { freshCheckKit, type CheckKitState, type PartState } from './state.ts'
export { checkKitForms } from './forms.ts'
