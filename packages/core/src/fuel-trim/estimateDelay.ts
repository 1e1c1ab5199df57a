import { alignRows } from './alignRows.ts'
import { factorBand, solveBand } from './bandedSolve.ts'
import type { FilterResult } from './filterRows.ts'
import { residuals, robustScale } from './fitChange.ts'
import type { DelaySource, RideLog, TrimProblem } from './model.ts'
import { addRoughness, normalEquations, toBand } from './normalEquations.ts'
import { smearPoints, type SensorTiming } from './sensorTiming.ts'

/** What is taken when the log is too steady to tell, s: the middle of what short exhausts show. */
export const assumedDelayS = 0.3
const longestDelayS = 1.5
/** Rows the search looks at, in so many pieces spread over the ride: fewer while it only looks for the neighbourhood. */
const rowsLookedAt = { coarse: 10_000, fine: 24_000 }
const piecesTaken = 12

const lagShares = [0, 0.2, 0.4, 0.6, 0.8]

/**
 * Timing of the sensor that leaves the least unexplained in the log.
 * Looks at every 0.1 s of whole delay up to 1.5 s, then at how it divides into transport and lag, then finer.
 * @param given whole delay that overrules the estimate, s; only its division is then looked for
 */
export function estimateDelay(
  log: RideLog,
  filter: FilterResult,
  problem: TrimProblem,
  given?: number,
): { timing: SensorTiming; source: DelaySource } {
  const loss = lossOfTiming(...pieces(log, filter, rowsLookedAt.fine), problem)
  const timing = (delayS: number, lagShare: number): SensorTiming => ({
    transportS: delayS * (1 - lagShare),
    lagS: delayS * lagShare,
  })
  const bestShare = (delayS: number) => lowest(lagShares, (share) => loss(timing(delayS, share))).at
  if (given !== undefined) return { timing: timing(given, given > 0 ? bestShare(given) : 0), source: 'given' }

  const coarse = Array.from({ length: Math.round(longestDelayS / 0.1) + 1 }, (_, i) => i * 0.1)
  const roughly = lossOfTiming(...pieces(log, filter, rowsLookedAt.coarse), problem)
  const first = lowest(coarse, (delayS) => roughly(timing(delayS, 0.4)))
  const spread = Math.max(...first.values.filter(Number.isFinite)) / first.value - 1
  if (!Number.isFinite(first.value) || !(spread > 0.01))
    return { timing: timing(assumedDelayS, 0.4), source: 'assumed' }
  const share = bestShare(first.at)
  const step = 0.025
  const fine = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((i) => first.at + i * step).filter((delay) => delay >= 0)
  const second = lowest(fine, (delayS) => loss(timing(delayS, share)))
  const i = second.index
  if (i === 0 || i === fine.length - 1) return { timing: timing(second.at, share), source: 'estimated' }
  const [left, middle, right] = second.values.slice(i - 1, i + 2)
  const curve = left - 2 * middle + right
  const shift = curve > 0 ? (0.5 * (left - right)) / curve : 0
  const delayS = second.at + shift * step
  return { timing: timing(delayS, bestShare(delayS)), source: 'estimated' }
}

/** Mean clipped square of what a lightly smoothed fit leaves unexplained under a timing. */
function lossOfTiming(log: RideLog, filter: FilterResult, problem: TrimProblem): (timing: SensorTiming) => number {
  let clip = 0
  return (timing) => {
    const rows = alignRows(log, filter, problem, timing, smearPoints(log, timing.lagS))
    if (rows.count < 20) return Infinity
    const equations = normalEquations(problem.axes, rows)
    const information = equations.diagonal.reduce((sum, value) => sum + value, 0) / equations.size
    const matrix = toBand(equations, 1)
    addRoughness(matrix, problem.axes, information * 1e-4, information * 1e-4, information * 1e-5)
    const residual = residuals(problem.axes, rows, solveBand(factorBand(matrix), equations.right))
    if (clip === 0) clip = 4 * robustScale(residual)
    let sum = 0
    for (const value of residual) sum += Math.min(Math.abs(value), clip) ** 2
    return sum / rows.count
  }
}

/** A log cut down to pieces spread evenly over the rows that may be used; the seams are gaps in time and drop out by themselves. */
function pieces(log: RideLog, filter: FilterResult, rows: number): [RideLog, FilterResult] {
  if (log.rows <= 1.5 * rows) return [log, filter]
  const first = filter.reasonOfRow.findIndex((reason) => reason === 0)
  const from = Math.max(0, first)
  const length = Math.floor(rows / piecesTaken)
  const apart = (log.rows - from - length) / (piecesTaken - 1)
  const starts = Array.from({ length: piecesTaken }, (_, i) => Math.floor(from + i * apart))
  const cut = (values: Float64Array): Float64Array => {
    const out = new Float64Array(length * piecesTaken)
    starts.forEach((start, i) => out.set(values.subarray(start, start + length), i * length))
    return out
  }
  const reasonOfRow = new Uint8Array(length * piecesTaken)
  starts.forEach((start, i) => reasonOfRow.set(filter.reasonOfRow.subarray(start, start + length), i * length))
  return [
    {
      rows: length * piecesTaken,
      timeS: cut(log.timeS),
      rpm: cut(log.rpm),
      throttlePct: cut(log.throttlePct),
      afr: cut(log.afr),
      unreadableRows: 0,
    },
    {
      reasonOfRow,
      lastOverrunS: cut(filter.lastOverrunS),
      lastTransientS: cut(filter.lastTransientS),
      filtersOff: filter.filtersOff,
    },
  ]
}

function lowest(candidates: number[], lossOf: (candidate: number) => number) {
  const values = candidates.map(lossOf)
  const value = Math.min(...values)
  const index = values.indexOf(value)
  return { at: candidates[index], index, value, values }
}
