import type { Done } from '../journal/index.ts'
import type { Pull } from './model.ts'

export const pullTimes = ['before', 'after'] as const
export type PullTime = (typeof pullTimes)[number]

/** A pull that was made, worked out. */
export interface PullMade extends Pull {
  when: PullTime
  name: string
}

export interface ProvingState {
  pulls: (Done & PullMade)[]
  /** What the kit's maker, or the fitter, claims it brings. */
  claimed: (Done & { powerKw?: number; torqueNm?: number; at: 'wheel' | 'engine' }) | null
}

export function freshProving(): ProvingState {
  return { pulls: [], claimed: null }
}
