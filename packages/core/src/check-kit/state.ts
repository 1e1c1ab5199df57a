import type { Done } from '../journal/index.ts'

export const partStates = ['present', 'missing', 'not used', 'from stock'] as const
export type PartState = (typeof partStates)[number]

/** What of the kit and the tools is there. */
export interface CheckKitState {
  parts: Record<string, Done & { state: PartState; instead?: string }>
  tools: Record<string, Done & { state: 'present' | 'missing' }>
}

export function freshCheckKit(): CheckKitState {
  return { parts: {}, tools: {} }
}
