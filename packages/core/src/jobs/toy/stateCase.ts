import type { Done } from '../../journal/index.ts'

/** What the made-up capability of the tests keeps: greasing of battery terminals. */
export interface GreaseState {
  grease: { wanted: Done | null; greased: Done | null }
}

export const freshGrease = (): GreaseState => ({ grease: { wanted: null, greased: null } })
