import { planAccess } from '../access/index.ts'
import { providePlanners } from '../jobs/index.ts'
import { planRoutes } from '../routing/index.ts'

/** Has plans of jobs made in this thread: of what comes off, and of where looms lie. */
export function startPlanning(): void {
  providePlanners({ planAccess, planRoutes })
}
