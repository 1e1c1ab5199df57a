import { planAccess, type AccessOptions, type AccessTarget } from '@tidy-badger/core/access'
import type { Machine } from '@tidy-badger/core/dossiers'
import { serve } from '../platform/serve.ts'

export const api = {
  finish: (machine: Machine, targets: AccessTarget[], options: AccessOptions) =>
    planAccess(machine, targets, { ...options, width: 600 }),
}
export type AccessApi = typeof api

serve(api)
