import { later } from '../ui/comesLater.tsx'

export { DossierPage } from './DossierPage.tsx'
export { DossiersPage } from './DossiersPage.tsx'

/** Where a machine is written down: its grids and forms are not asked for by who only looks. */
export const EditorPage = later(async () => (await import('./EditorPage.tsx')).EditorPage)
