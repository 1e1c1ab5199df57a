import { failure, success, type Outcome } from '../shared/index.ts'
import { alignPulls, alongAxis, pullAt, type PullAxis } from './alignment.ts'
import type { Pull } from './model.ts'

export interface Claim {
  /** Gains, not totals. */
  powerKw?: number
  torqueNm?: number
  at?: 'wheel' | 'engine'
  kind?: 'peak' | 'largest-gain'
  /** Of the engine's power, measured by coasting down, lost on the way to the wheels, %. */
  lossPct?: number
}

export interface Comparison {
  gainPowerKw: number
  gainTorqueNm: number
  /** Half of the gain's 95 % interval from the runs themselves; null below two each. */
  spreadPowerKw: number | null
  shown: boolean
  claim: 'met' | 'not met' | 'not shown' | null
  /** Why, in sentences: what the figures rest on, and what would settle it. */
  reasons: string[]
  /** What they are laid over each other by: road speed where a belt was between. */
  axis: PullAxis
  curve: ComparedPoint[]
  /** Over the range they share, kW: the area between the curves by its width. */
  meanGainKw: number
  /** Stretches where the gain, or the loss, is beyond what runs differ by themselves; in 1/min, or km/h by road speed. */
  gained: GainRange[]
  lost: GainRange[]
  /** Where power falls off at the top by more than it did before; null where it does not. */
  fallsOff: { rpm: number; pct: number } | null
  peaks: Record<'before' | 'after', { kw: number; rpm: number; speedKmh: number | null; nm: number; nmRpm: number }>
}

export interface ComparedPoint {
  rpm: number
  speedKmh: number | null
  beforeKw: number
  afterKw: number
  seKw: number | null
}

export interface GainRange {
  from: number
  to: number
  meanKw: number
}

/**
 * What runs after show against runs before: each group's mean, the gain by peak or where it is largest, and its 95 % interval by Student's
 * t over both groups' own spread. Of largest gains the widest interval over the whole range counts, since its place is chosen by the gain.
 */
export function comparePulls(before: readonly Pull[], after: readonly Pull[], claim?: Claim): Outcome<Comparison> {
  if (before.length === 0 || after.length === 0)
    return failure({
      ...{ code: 'no-pull', path: before.length === 0 ? 'before' : 'after' },
      message: 'A comparison wants a pull before and one after: one alone is a curve, and no gain.',
    })
  const aligned = alignPulls([...before, ...after])
  if (!aligned.ok) return aligned
  const { axis, grid } = aligned.value
  const along = (pulls: readonly Pull[], field: 'powerKw' | 'torqueNm') =>
    grid.map((x) => pulls.map((pull) => pullAt(pull, axis, x, field)))
  const groups = (field: 'powerKw' | 'torqueNm') => {
    const [one, other] = [along(before, field), along(after, field)]
    return grid.map((_x, i) => group(one[i] ?? [], other[i] ?? []))
  }
  const at = groups('powerKw')
  const kind = claim?.kind ?? 'peak'
  const peak = group(
    before.map(({ peakPower }) => peakPower.kw),
    after.map(({ peakPower }) => peakPower.kw),
  )
  const peakTorque = group(
    before.map(({ peakTorque: { nm } }) => nm),
    after.map(({ peakTorque: { nm } }) => nm),
  )
  const power = kind === 'peak' ? peak : largest(at)
  const torque = kind === 'peak' ? peakTorque : largest(groups('torqueNm'))
  const shown = power.spread !== null && power.gain > power.spread
  const reasons: string[] = [
    ...(power.spread === null ? ['Below two runs each nothing says how much the same machine differs by itself.'] : []),
    ...(power.spread !== null && !shown
      ? [
          `The gain of ${power.gain.toFixed(1)} kW is within what the runs differ by themselves, ${power.spread.toFixed(1)} kW.`,
        ]
      : []),
    ...(Math.min(before.length, after.length) === 2
      ? [`A third run each would bring the interval to about ${thirdRun(power.spread)} kW.`]
      : []),
  ]
  if (axis === 'speed')
    reasons.push('A belt, or an open converter: laid over each other by road speed, and power at the wheels only.')
  const curve = at.map(({ before: beforeKw, after: afterKw, se }, i): ComparedPoint => {
    const x = grid[i] ?? 0
    const of = (field: 'rpm' | 'speedKmh') => mean([...before, ...after].map((pull) => pullAt(pull, axis, x, field)))
    const known = [...before, ...after].every(({ points }) => points.every(({ speedKmh }) => speedKmh !== null))
    return { rpm: of('rpm'), speedKmh: known ? of('speedKmh') : null, beforeKw, afterKw, seKw: se }
  })
  const judged = claim ? judgeClaim(claim, { power, torque, shown }) : null
  return success({
    gainPowerKw: power.gain,
    gainTorqueNm: torque.gain,
    spreadPowerKw: power.spread,
    shown,
    claim: judged?.verdict ?? null,
    reasons: [...reasons, ...(judged?.reason ? [judged.reason] : [])],
    axis,
    curve,
    ...rangesOf(curve, at, axis),
    fallsOff: fallingOff(curve),
    peaks: { before: meanPeak(before), after: meanPeak(after) },
  })
}

/** Falls off: so much less at the end than at its peak, and so much more than before. */
const fallPct = 7
const moreThanBeforePct = 3

function fallingOff(curve: readonly ComparedPoint[]): Comparison['fallsOff'] {
  const fall = (of: 'beforeKw' | 'afterKw') => {
    const top = curve.reduce((best, point) => (point[of] > best[of] ? point : best))
    return { rpm: top.rpm, pct: 100 * (1 - (curve.at(-1)?.[of] ?? 0) / top[of]) }
  }
  const [before, after] = [fall('beforeKw'), fall('afterKw')]
  return after.pct >= fallPct && after.pct > before.pct + moreThanBeforePct ? after : null
}

/** A stretch shorter than this part of the range is no stretch. */
const leastStretch = 3

function rangesOf(
  curve: readonly ComparedPoint[],
  at: readonly Grouped[],
  axis: PullAxis,
): Pick<Comparison, 'meanGainKw' | 'gained' | 'lost'> {
  const x = (i: number) => {
    const point = curve[i]
    return point ? alongAxis(axis, point) : 0
  }
  const runs = (is: (one: Grouped) => boolean): GainRange[] => {
    const found: GainRange[] = []
    let open: number[] = []
    for (let i = 0; i <= at.length; i++) {
      const one = at[i]
      if (one && is(one)) open.push(i)
      else {
        if (open.length >= leastStretch)
          found.push({
            ...{ from: x(open[0] ?? 0), to: x(open.at(-1) ?? 0) },
            meanKw: mean(open.map((k) => at[k]?.gain ?? 0)),
          })
        open = []
      }
    }
    return found
  }
  return {
    meanGainKw: mean(at.map(({ gain }) => gain)),
    gained: runs(({ gain, spread }) => spread !== null && gain > spread),
    lost: runs(({ gain, spread }) => spread !== null && -gain > spread),
  }
}

function meanPeak(pulls: readonly Pull[]): Comparison['peaks']['before'] {
  const speeds = pulls.map(({ peakPower }) => peakPower.speedKmh)
  return {
    kw: mean(pulls.map(({ peakPower }) => peakPower.kw)),
    rpm: mean(pulls.map(({ peakPower }) => peakPower.rpm)),
    speedKmh: speeds.every((speed) => speed !== null) ? mean(speeds) : null,
    nm: mean(pulls.map(({ peakTorque }) => peakTorque.nm)),
    nmRpm: mean(pulls.map(({ peakTorque }) => peakTorque.rpm)),
  }
}

interface Grouped {
  before: number
  after: number
  gain: number
  se: number | null
  spread: number | null
}

/** Two groups: their means, their difference, its standard error and the half of its 95 % interval. */
function group(before: readonly number[], after: readonly number[]): Grouped {
  const [a, b] = [mean(before), mean(after)]
  const freedom = before.length + after.length - 2
  if (before.length < 2 || after.length < 2) return { before: a, after: b, gain: b - a, se: null, spread: null }
  const squares = [...before.map((one) => (one - a) ** 2), ...after.map((one) => (one - b) ** 2)]
  const pooled = squares.reduce((sum, one) => sum + one, 0) / freedom
  const se = Math.sqrt(pooled * (1 / before.length + 1 / after.length))
  return { before: a, after: b, gain: b - a, se, spread: studentT(freedom) * se }
}

function largest(list: readonly Grouped[]): Pick<Grouped, 'gain' | 'spread'> {
  const best = list.reduce((one, other) => (other.gain > one.gain ? other : one))
  const spreads = list.flatMap(({ spread }) => spread ?? [])
  return { gain: best.gain, spread: spreads.length === 0 ? null : Math.max(...spreads) }
}

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length

/** Quantiles of Student's t at 97.5 %, from one degree of freedom up. */
const quantiles = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086,
] as const
export function studentT(freedom: number): number {
  const known = quantiles[Math.round(freedom) - 1]
  // Beyond the table: Cornish and Fisher's first terms.
  const z = 1.959964
  return known ?? z + (z ** 3 + z) / (4 * freedom) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2)
}

/** What three runs each would make of an interval from two each. */
function thirdRun(spread: number | null): string {
  return spread === null ? '?' : ((spread * (studentT(4) * Math.sqrt(2 / 3))) / studentT(2)).toFixed(1)
}

/** Torque of runs is judged by the same rule as their power. */
function judgeClaim(
  { powerKw, torqueNm, at = 'wheel', lossPct }: Claim,
  {
    power,
    torque,
    shown,
  }: { power: Pick<Grouped, 'gain' | 'spread'>; torque: Pick<Grouped, 'gain' | 'spread'>; shown: boolean },
): { verdict: 'met' | 'not met' | 'not shown'; reason?: string } {
  if (at === 'engine' && lossPct === undefined)
    return {
      verdict: 'not shown',
      reason:
        'The claim is for the engine, the pulls are at the wheels: without a loss that was measured nothing follows.',
    }
  const toEngine = at === 'engine' ? 1 / (1 - (lossPct ?? 0) / 100) : 1
  const parts = [
    ...(powerKw === undefined ? [] : [{ ...power, claimed: powerKw, shown }]),
    ...(torqueNm === undefined
      ? []
      : [{ ...torque, claimed: torqueNm, shown: torque.spread !== null && torque.gain > torque.spread }]),
  ]
  if (parts.length === 0) return { verdict: 'not shown', reason: 'Nothing is claimed in figures.' }
  if (parts.some((part) => !part.shown)) return { verdict: 'not shown' }
  const met = parts.every(({ gain, spread, claimed }) => (gain + (spread ?? 0)) * toEngine >= claimed - 1e-9)
  return { verdict: met ? 'met' : 'not met' }
}
