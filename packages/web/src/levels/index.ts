export { LadderCard } from './components/LadderCard.tsx'
