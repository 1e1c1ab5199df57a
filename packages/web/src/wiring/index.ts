export { HookUpPage } from './pages.ts'
export { WireButton } from './components/WireButton.tsx'
export { PlugFace } from './components/PlugFace.tsx'
export { Wire, WireChip } from './Wire.tsx'
