import { later } from '../ui/comesLater.tsx'

/** Comes with its station: it stands within a Suspense. */
export const HookUpPage = later(async () => (await import('./HookUpPage.tsx')).HookUpPage)
