export { HookUpPage } from './HookUpPage.tsx'
export { WireButton } from './components/WireButton.tsx'
export { PlugFace } from './components/PlugFace.tsx'
export { WireChip } from './Wire.tsx'
