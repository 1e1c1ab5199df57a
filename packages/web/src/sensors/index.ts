export { BossCard } from './components/BossCard.tsx'
