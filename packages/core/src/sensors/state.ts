import type { Done } from '../journal/index.ts'
import type { BossMeasured } from './judgeBoss.ts'

/** What is done to the exhaust for a sensor, in order. */
export const pipeActs = ['off', 'welded', 'on'] as const
export type PipeAct = (typeof pipeActs)[number]

export interface SensorState {
  /** The boss as it was last measured. */
  boss: (Done & BossMeasured) | null
  pipe: Partial<Record<PipeAct, Done>>
}

export function freshSensors(): SensorState {
  return { boss: null, pipe: {} }
}
