import type { AfrTarget, Matrix } from './model.ts'

/**
 * Index of the axis interval that holds a value and the place inside it.
 * @param axis strictly rising
 * @returns the lower index, at most `axis.length - 2`; `share` 0 to 1, held at the edges
 */
export function locate(axis: readonly number[], value: number): { low: number; share: number } {
  const last = axis.length - 1
  if (value <= axis[0]) return { low: 0, share: 0 }
  if (value >= axis[last]) return { low: last - 1, share: 1 }
  let low = 0
  let high = last
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (axis[middle] <= value) low = middle
    else high = middle
  }
  return { low, share: (value - axis[low]) / (axis[low + 1] - axis[low]) }
}

/** Bilinear value of a table `[rpmIndex][loadIndex]`, held at its edges. */
export function tableAt(
  rpm: readonly number[],
  load: readonly number[],
  table: Readonly<Matrix>,
  atRpm: number,
  atLoad: number,
): number {
  const r = locate(rpm, atRpm)
  const l = locate(load, atLoad)
  const lower = table[r.low][l.low] * (1 - l.share) + table[r.low][l.low + 1] * l.share
  const upper = table[r.low + 1][l.low] * (1 - l.share) + table[r.low + 1][l.low + 1] * l.share
  return lower * (1 - r.share) + upper * r.share
}

export function targetAt(target: AfrTarget, atRpm: number, atLoad: number): number {
  return 'rpm' in target ? tableAt(target.rpm, target.load, target.afr, atRpm, atLoad) : target.afr
}
