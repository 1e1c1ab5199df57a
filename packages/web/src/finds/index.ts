export { DossierFind } from './components/DossierFind.tsx'
export { openFinding } from './store.ts'
