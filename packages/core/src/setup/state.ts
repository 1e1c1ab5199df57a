import type { Done } from '../journal/index.ts'

/** What the unit was set to. */
export interface SetupState {
  settings: Record<string, Done & { value: string }>
}

export function freshSetup(): SetupState {
  return { settings: {} }
}
