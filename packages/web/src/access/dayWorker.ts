import { planAccess, type AccessOptions, type AccessTarget } from '@tidy-badger/core/access'
import type { Machine } from '@tidy-badger/core/dossiers'
import { daySpread, type JobDay } from '@tidy-badger/core/jobs'
import { serve } from '../platform/serve.ts'

const api = {
  spread: (day: Pick<JobDay, 'tasks' | 'people' | 'factor'>) => daySpread(day),
  finish: (machine: Machine, targets: AccessTarget[], options: AccessOptions) =>
    planAccess(machine, targets, { ...options, width: 600 }),
}
export type DayApi = typeof api

serve(api)
