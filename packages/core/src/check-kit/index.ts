export { checkKitEntries, partChecked, toolChecked } from './entries.ts'
export { freshCheckKit, partStates, type CheckKitState, type PartState } from './state.ts'
