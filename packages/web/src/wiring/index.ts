export { HookUpPage } from './HookUpPage.tsx'
export { WireChip } from './Wire.tsx'
