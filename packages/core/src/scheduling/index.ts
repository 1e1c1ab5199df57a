export { learnMinutes, priorWeight, type LearntMinutes } from './learnMinutes.ts'
export { expectedMinutes, type Schedule, type Slot, type Task } from './model.ts'
export { scheduleTasks } from './scheduleTasks.ts'
export {
  drawMinutes,
  learnDayFactor,
  simulateMinutes,
  usualDay,
  type DayFactor,
  type MinutesSpread,
} from './simulateMinutes.ts'
