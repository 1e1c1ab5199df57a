import type { planAccess } from '../access/index.ts'
import type { planRoutes } from '../routing/index.ts'

/** What makes plans: heavy, so that a screen need not carry it. */
export interface Planners {
  planAccess: typeof planAccess
  planRoutes: typeof planRoutes
}

let missing: () => never = () => {
  throw new Error('jobs: a plan is asked for where nothing makes plans; call startPlanning() first')
}
let here: Planners | null = null

/** From now on plans that are not known can be made in this thread. */
export function providePlanners(planners: Planners): void {
  here = planners
}

/** What to do where a plan is asked for before anything here makes plans: it throws, so that what asked is asked again. */
export function plannersLater(throwing: () => never): void {
  missing = throwing
}

/** @throws where nothing in this thread makes plans */
export function planners(): Planners {
  return here ?? missing()
}
