import type { Done } from '../journal/index.ts'
import type { MonitorId } from './readiness.ts'

export const regenerationPhases = ['started', 'ended', 'aborted'] as const
export type RegenerationPhase = (typeof regenerationPhases)[number]

export interface AftertreatmentState {
  /** The latest word of a regeneration by hand. */
  regeneration: (Done & { phase: RegenerationPhase; text: string }) | null
  readiness: (Done & { monitors: { id: MonitorId; done: boolean }[] }) | null
}

export function freshAftertreatment(): AftertreatmentState {
  return { regeneration: null, readiness: null }
}

/** What is not taken while one is under way: its heat is in every figure. */
const notMeanwhile = new Set(['pull-made', 'level-run', 'trim-accepted'])
export const barredMeanwhile = (kind: string): boolean => notMeanwhile.has(kind)

/** A regeneration is under way: no pull, no loaded run, no trim. */
export const regenerating = ({ regeneration }: Pick<AftertreatmentState, 'regeneration'>): boolean =>
  regeneration?.phase === 'started'
