import type { Done } from '../journal/index.ts'
import type { CoastDown } from './coastDown.ts'
import type { Claim } from './compare.ts'
import type { Pull, PullConditions } from './model.ts'

export const pullTimes = ['before', 'after'] as const
export type PullTime = (typeof pullTimes)[number]

/** Where figures come from, the surest first: read here, read by others, said by who sells it, thought. */
export const pullSources = ['here', 'elsewhere'] as const
export type PullSource = (typeof pullSources)[number]

/** A pull that was made, worked out. */
export interface PullMade extends Pull {
  when: PullTime
  name: string
  conditions?: PullConditions
  /** Where its figures come from. */
  source?: PullSource
}

export interface ProvingState {
  pulls: (Done & PullMade)[]
  /** What the kit's maker, or the fitter, claims it brings. */
  claimed: (Done & Claim & { at: 'wheel' | 'engine' }) | null
  /** What road pulls are worked out with, as coasting down showed. */
  /** By kit (of one alone ''): the number of its approval for this machine and market; null where there is none. */
  approvals: Record<string, Done & { market: string; number: string | null; with: string }>
  coasted: (Done & Pick<CoastDown, 'dragAreaM2' | 'dragSeM2' | 'rolling' | 'rollingSe'> & { massKg: number }) | null
}

export function freshProving(): ProvingState {
  return { pulls: [], claimed: null, coasted: null, approvals: {} }
}
