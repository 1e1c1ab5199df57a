export { HookUpPage } from './HookUpPage.tsx'
export { PlugFace } from './components/PlugFace.tsx'
export { WireChip } from './Wire.tsx'
