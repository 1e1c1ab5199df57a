import type { InlinePair } from './kitModel.ts'

/** How far from the control unit a pair has to stand; what takes the device's place is the last of all. */
function rank({ deviceHalf, stands }: InlinePair): number {
  if (!deviceHalf) return 3
  if (stands === undefined) return 1
  return stands === 'device side' ? 2 : 0
}

/**
 * Pairs on one plug in the row they stand in: factory plug, first pair, second pair, device. Those that have to be nearest to the
 * control unit first, those that have to be nearest to the device last, the others as they come.
 */
export function inRow<T extends { end: InlinePair }>(pairs: readonly T[]): T[] {
  return [...pairs].sort((a, b) => rank(a.end) - rank(b.end))
}

/** Two pairs that both claim one end of the row; null where every pair finds its place. */
export function rowClash<T extends { end: InlinePair }>(pairs: readonly T[]): [T, T] | null {
  for (const end of [0, 2, 3]) {
    const [first, second] = pairs.filter((pair) => rank(pair.end) === end)
    if (first && second) return [first, second]
  }
  return null
}
