export { AftertreatmentCard } from './components/AftertreatmentCard.tsx'
export { ReadinessCard } from './components/ReadinessCard.tsx'
