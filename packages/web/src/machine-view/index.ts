import { later } from '../ui/comesLater.tsx'

export { MachinePicture } from './components/MachinePicture.tsx'
/** Drawings of the machine that stand beside other things: within a Suspense. */
export const WhereOnMachine = later(async () => (await import('./components/WhereOnMachine.tsx')).WhereOnMachine)
export const OnPhotos = later(async () => (await import('./components/OnPhotos.tsx')).OnPhotos)
/** Within a Suspense. */
export const TabPlaces = later(async () => (await import('./components/TabPlaces.tsx')).TabPlaces)
export type { TabPlace } from './components/TabPlaces.tsx'
export { MachineCanvas, type Paper } from './components/MachineCanvas.tsx'
export { MachineThumb } from './components/MachineThumb.tsx'
export { TakenPart } from './components/TakenPart.tsx'
export { drawingAddress } from './drawingAddress.ts'
