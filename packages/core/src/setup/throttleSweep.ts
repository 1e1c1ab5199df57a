import { failure, success, type Outcome } from '../shared/index.ts'
import { impossible } from './figures.ts'

export interface SweepSample {
  t: number
  v1: number
  v2?: number
}

export interface SweepAsked {
  kind: 'cable' | 'by-wire'
  /** What stays the same between the two tracks; the steadier of the two unless said. */
  relation?: 'ratio' | 'sum'
  /** What track 1 goes through by the dossier, V. */
  spanV?: number
  /** Shut and still for half a second, slowly opened, open and still for half a second; t in s. */
  samples: readonly SweepSample[]
}

export interface SweepAnswer {
  shutV: number
  openV: number
  spanV: number
  noiseV: number
  monotone: boolean
  trackSpreadPct: number | null
  verdict: 'pass' | 'fail'
  reasons: string[]
}

const restS = 0.5
const smoothS = 0.1
const usualSpanV = 2.5
const ofSpan = 0.85
const mostNoiseV = 0.02
const mostSpreadPct = 3

/**
 * A throttle captured as a sweep: rest shut, slowly opened, rest open. Volts are the medians of the rests, noise is their larger standard
 * deviation; the sweep between, smoothed over 0.1 s, steps back by no more than three times the noise; two tracks keep their relation
 * within 3 % of its median.
 * @returns what was captured with a verdict; a failure where there is no sweep in it
 */
export function throttleSweep({ kind, relation, spanV: wanted, samples }: SweepAsked): Outcome<SweepAnswer> {
  const wrong = impossible([
    ...(wanted === undefined ? [] : [{ path: 'spanV', value: wanted, low: 0.1, high: 16, unit: 'V' }]),
    ...samples.slice(0, 20_000).flatMap(({ v1, v2 }, i) =>
      [['v1', v1] as const, ['v2', v2] as const].flatMap(([track, value]) =>
        value === undefined
          ? []
          : [
              {
                ...{ path: `samples.${i}.${track}`, value, low: -1, high: 16, unit: 'V' },
                likely: (far: number) =>
                  far > 100 ? `In volts that is ${far / 1000}, if millivolts were meant.` : null,
              },
            ],
      ),
    ),
  ])
  if (wrong) return wrong
  const back = samples.findIndex(({ t }, i) => i > 0 && t <= (samples[i - 1]?.t ?? -Infinity))
  if (back > 0)
    return failure({
      ...{ code: 'time-runs-backwards', path: `samples.${back}.t` },
      message: 'Samples stand in the order of their time, each later than the one before.',
    })
  const [first, last] = [samples[0]?.t ?? 0, samples.at(-1)?.t ?? 0]
  const shut = samples.filter(({ t }) => t <= first + restS + 1e-9)
  const open = samples.filter(({ t }) => t >= last - restS - 1e-9)
  const sweep = smoothed(samples).filter(({ t }) => t >= first + restS - 1e-9 && t <= last - restS + 1e-9)
  if (last - first <= 2 * restS || shut.length < 2 || open.length < 2 || sweep.length < 3)
    return failure({
      ...{ code: 'sweep-short', path: 'samples' },
      message: `A sweep rests shut for ${restS} s, opens, and rests open for ${restS} s; this one has ${samples.length} ${samples.length === 1 ? 'sample' : 'samples'} over ${(last - first).toFixed(2)} s.`,
    })
  const [shutV, openV] = [median(shut.map(({ v1 }) => v1)), median(open.map(({ v1 }) => v1))]
  const spanV = Math.abs(openV - shutV)
  const noiseV = Math.max(deviation(shut.map(({ v1 }) => v1)), deviation(open.map(({ v1 }) => v1)))
  const monotone = goesOneWay(
    sweep.map(({ v1 }) => v1),
    openV >= shutV,
    noiseV,
  )
  const trackSpreadPct = spreadOf(sweep, relation)
  const least = leastSpanV(wanted)
  const reasons = [
    ...(spanV + 1e-9 < least
      ? [`It goes through ${spanV.toFixed(2)} V; at least ${least.toFixed(2)} V are wanted.`]
      : []),
    ...(noiseV >= mostNoiseV ? [`At rest it is restless: ${(noiseV * 1000).toFixed(0)} mV.`] : []),
    ...(monotone ? [] : ['It steps back while it is opened: a worn track, or a contact.']),
    ...(kind === 'by-wire' && trackSpreadPct === null ? ['A throttle by wire has two tracks, and one was read.'] : []),
    ...(trackSpreadPct !== null && trackSpreadPct > mostSpreadPct + 1e-9
      ? [`The two tracks part by ${trackSpreadPct.toFixed(1)} %; ${mostSpreadPct} % is the most.`]
      : []),
  ]
  return success({
    ...{ shutV, openV, spanV, noiseV, monotone, trackSpreadPct },
    verdict: reasons.length === 0 ? 'pass' : 'fail',
    reasons,
  })
}

/** The least a throttle has to go through: a share of what the dossier has, or so many volts where it has nothing. */
export const leastSpanV = (spanV: number | undefined) => (spanV === undefined ? usualSpanV : ofSpan * spanV)

/** The mean of what lies within half of the smoothing time on either side. */
function smoothed(samples: readonly SweepSample[]): SweepSample[] {
  let [from, to] = [0, 0]
  return samples.map(({ t, v2 }) => {
    while ((samples[from]?.t ?? Infinity) < t - smoothS / 2 - 1e-9) from++
    while ((samples[to]?.t ?? Infinity) <= t + smoothS / 2 + 1e-9) to++
    const near = samples.slice(from, to)
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
    const second = near.flatMap((sample) => (sample.v2 === undefined ? [] : [sample.v2]))
    return {
      t,
      v1: mean(near.map(({ v1 }) => v1)),
      ...(v2 === undefined || second.length === 0 ? {} : { v2: mean(second) }),
    }
  })
}

function goesOneWay(values: readonly number[], rises: boolean, noiseV: number): boolean {
  let most = -Infinity
  for (const value of values.map((volts) => (rises ? volts : -volts))) {
    if (most - value > 3 * noiseV + 1e-9) return false
    most = Math.max(most, value)
  }
  return true
}

/** By how much the relation of the two tracks leaves its median over the sweep, %; null where one was read. */
function spreadOf(sweep: readonly SweepSample[], relation: SweepAsked['relation']): number | null {
  const both = sweep.flatMap(({ v1, v2 }) => (v2 === undefined ? [] : [{ v1, v2 }]))
  if (both.length < sweep.length || both.length === 0) return null
  const spread = (values: readonly number[]) => {
    const middle = median(values)
    return middle === 0 ? Infinity : Math.max(...values.map((value) => Math.abs(value / middle - 1) * 100))
  }
  const ratio = spread(both.map(({ v1, v2 }) => (v2 === 0 ? Infinity : v1 / v2)))
  const sum = spread(both.map(({ v1, v2 }) => v1 + v2))
  const found = relation === 'ratio' ? ratio : relation === 'sum' ? sum : Math.min(ratio, sum)
  return Number.isFinite(found) ? found : 1e6
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  const [high, low] = [sorted[middle] ?? 0, sorted[middle - 1] ?? 0]
  return sorted.length % 2 === 1 ? high : (high + low) / 2
}

/** Standard deviation of a sample, n − 1. */
function deviation(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  return Math.sqrt(squares / Math.max(1, values.length - 1))
}
