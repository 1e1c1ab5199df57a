export { DossierWrong } from './components/DossierWrong.tsx'
export { FindSheet } from './components/FindSheet.tsx'
export { useFindKey } from './useFindKey.ts'
