export * from './compute.ts'
export { readSuggestRequest, suggestRequestSchema, type SuggestRequest } from './schema.ts'
