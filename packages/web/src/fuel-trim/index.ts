export { TrimPage } from './TrimPage.tsx'
export { prepareTrim } from './useSuggestion.ts'
