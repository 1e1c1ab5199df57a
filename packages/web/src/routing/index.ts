export { LoomPage } from './LoomPage.tsx'
