export { PullsCard } from './components/PullsCard.tsx'
