/** Repeatable chance: the same seed gives the same numbers on every machine. */
export interface SeededRandom {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Uniform in [low, high). */
  between(low: number, high: number): number
  /** Normal, mean 0, standard deviation 1 (Box and Muller 1958). */
  normal(): number
}

/** Mulberry32: 32 bits of state, period 2^32; enough for rides and tests, not for secrets. */
export function seededRandom(seed: number): SeededRandom {
  let state = seed >>> 0
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
  return {
    uniform,
    between: (low, high) => low + (high - low) * uniform(),
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  }
}
