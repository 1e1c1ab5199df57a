export * from './compute.ts'
export { readSuggestRequest, suggestRequestSchema, type SuggestRequest } from './schema.ts'
export { logImported, trimAccepted, trimEntries, trimLoaded } from './entries.ts'
export {
  currentTrim,
  freshTrim,
  trimOfRevision,
  type CellChange,
  type ImportedLog,
  type LogMapping,
  type TrimRevision,
  type TrimState,
} from './state.ts'
export { requireTrimBasis, trimBasis, type TrimBasis } from './trimBasis.ts'
