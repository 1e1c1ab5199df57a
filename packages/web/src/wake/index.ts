export { AuthorityCard } from './components/AuthorityCard.tsx'
export { CodesCard } from './components/CodesCard.tsx'
export { HealthCard } from './components/HealthCard.tsx'
export { LampCard } from './components/LampCard.tsx'
