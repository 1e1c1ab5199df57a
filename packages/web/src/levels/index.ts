export { AirflowCard } from './components/AirflowCard.tsx'
export { LadderCard } from './components/LadderCard.tsx'
