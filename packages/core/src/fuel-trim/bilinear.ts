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

/** {@link locate} for values that come one after the other: mostly each lies where the one before it did. */
export class AxisCursor {
  low = 0
  share = 0
  readonly #axis: Float64Array

  constructor(axis: readonly number[]) {
    this.#axis = Float64Array.from(axis)
  }

  seek(value: number): void {
    const axis = this.#axis
    const last = axis.length - 1
    if (value <= axis[0]) {
      this.low = 0
      this.share = 0
    } else if (value >= axis[last]) {
      this.low = last - 1
      this.share = 1
    } else {
      let low = this.low
      while (axis[low] > value) low--
      while (axis[low + 1] <= value) low++
      this.low = low
      this.share = (value - axis[low]) / (axis[low + 1] - axis[low])
    }
  }

  /** Width of the interval. */
  get width(): number {
    return this.#axis[this.low + 1] - this.#axis[this.low]
  }
}

/** A table `[rpmIndex][loadIndex]` read where two cursors stand; the same value as {@link tableAt}. */
export function tableReader(table: Readonly<Matrix>): (rpm: AxisCursor, load: AxisCursor) => number {
  const loads = table[0].length
  const values = Float64Array.from(table.flat())
  return (rpm, load) => {
    const at = rpm.low * loads + load.low
    const lower = between(values[at], values[at + 1], load.share)
    return between(lower, between(values[at + loads], values[at + loads + 1], load.share), rpm.share)
  }
}

/** A target read for operating points that come one after the other; the same value as {@link targetAt}. */
export function targetReader(target: AfrTarget): (atRpm: number, atLoad: number) => number {
  if (!('rpm' in target)) return () => target.afr
  const [rpm, load, read] = [new AxisCursor(target.rpm), new AxisCursor(target.load), tableReader(target.afr)]
  return (atRpm, atLoad) => {
    rpm.seek(atRpm)
    load.seek(atLoad)
    return read(rpm, load)
  }
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
  const [lower, upper] = [table[r.low], table[r.low + 1]]
  return between(
    between(lower[l.low], lower[l.low + 1], l.share),
    between(upper[l.low], upper[l.low + 1], l.share),
    r.share,
  )
}

const between = (low: number, high: number, share: number): number => low * (1 - share) + high * share

export function targetAt(target: AfrTarget, atRpm: number, atLoad: number): number {
  return 'rpm' in target ? tableAt(target.rpm, target.load, target.afr, atRpm, atLoad) : target.afr
}
