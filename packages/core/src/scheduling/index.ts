export { learnMinutes, priorWeight, type LearntMinutes } from './learnMinutes.ts'
export { expectedMinutes, type Schedule, type Slot, type Task } from './model.ts'
export { scheduleTasks } from './scheduleTasks.ts'
export { drawMinutes, simulateMinutes, type MinutesSpread } from './simulateMinutes.ts'
