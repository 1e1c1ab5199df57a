import { later } from '../ui/comesLater.tsx'

// Each comes with its station: they stand within a Suspense.
export const TakeInPage = later(async () => (await import('./TakeInPage.tsx')).TakeInPage)
export const CheckKitPage = later(async () => (await import('./CheckKitPage.tsx')).CheckKitPage)
export const SetUpPage = later(async () => (await import('./SetUpPage.tsx')).SetUpPage)
export const WorkPage = later(async () => (await import('./WorkPage.tsx')).WorkPage)
