import { later } from '../ui/comesLater.tsx'

/** Comes with the yard: it stands within a Suspense. */
export const YardPage = later(async () => (await import('./YardPage.tsx')).YardPage)
export const NewJobPage = later(async () => (await import('./NewJobPage.tsx')).NewJobPage)
