/** One figure held to its rule: what is asked, what is there, how much is left, and who says so. */
export interface Verdict {
  rule: string
  unit: string
  value: number
  limit: number
  sense: 'at most' | 'at least'
  /** What is left to the limit, in the same unit; below 0 it is broken. */
  margin: number
  ok: boolean
  source: string
}

export function atMost(rule: string, value: number, limit: number, unit: string, source: string): Verdict {
  return { rule, unit, value, limit, sense: 'at most', margin: limit - value, ok: value <= limit, source }
}

export function atLeast(rule: string, value: number, limit: number, unit: string, source: string): Verdict {
  return { rule, unit, value, limit, sense: 'at least', margin: value - limit, ok: value >= limit, source }
}

/** What may be lost over a run under load, V, by what it is for. General practice of vehicle electrics. */
export const dropLimitsV = { feed: 0.3, 'power ground': 0.1, 'sensor ground': 0.05 } as const
export type DropUse = keyof typeof dropLimitsV
