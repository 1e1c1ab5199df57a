export { TrimPage } from './TrimPage.tsx'
