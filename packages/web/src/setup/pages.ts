import { later } from '../ui/comesLater.tsx'

/** Stands within a Suspense. */
export const SettingsSheet = later(async () => (await import('./components/SettingsSheet.tsx')).SettingsSheet)
