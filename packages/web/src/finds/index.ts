export { DossierFind } from './components/DossierFind.tsx'
export { DossierWrong } from './components/DossierWrong.tsx'
