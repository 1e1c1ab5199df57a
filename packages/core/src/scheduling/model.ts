import type { Minutes } from '../dossiers/index.ts'

/** One piece of work, or a wait. */
export interface Task {
  id: string
  minutes: Minutes
  /** Tasks that must be over before it starts. */
  after: readonly string[]
  /** Pairs of hands it takes; 0 is a wait that runs by itself. */
  hands: 0 | 1 | 2
}

/** A task on the clock, min from the start. */
export interface Slot {
  task: string
  start: number
  end: number
  /** Who does it, counted from 0; empty for a wait. */
  who: number[]
}

export interface Schedule {
  slots: Slot[]
  minutes: number
  /** Tasks that nothing may delay without the end moving, in order. */
  critical: string[]
}

/** The mean of a three-point time, min: (best + 4 likely + worst) / 6 (Malcolm et al. 1959). */
export function expectedMinutes({ best, likely, worst }: Minutes): number {
  return (best + 4 * likely + worst) / 6
}
