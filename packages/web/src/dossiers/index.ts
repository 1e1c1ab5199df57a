export { DossierPage } from './DossierPage.tsx'
export { DossiersPage } from './DossiersPage.tsx'
export { EditorPage } from './EditorPage.tsx'
