import { alignRows, type AlignedRows } from './alignRows.ts'
import { targetAt } from './bilinear.ts'
import { estimateDelay } from './estimateDelay.ts'
import { filterRows } from './filterRows.ts'
import { fitChange, type ChangeFit } from './fitChange.ts'
import { raisedColdLimit } from './raisedColdLimit.ts'
import type { Progress, RideLog, TrimCell, TrimProblem, TrimSuggestion } from './model.ts'
import { smearPoints, wholeDelayS } from './sensorTiming.ts'

/** A cell is earned from this much riding at it, effective seconds and effective rows. */
const earnedSeconds = 0.4
const earnedRows = 6
/** … unless its figure is still looser than this, % trim. */
const loosestStdErrPct = 1.5

/**
 * What a ride log says about a trim table.
 * @param log the ride, in the units of the fit
 * @param problem axes, tables and target `[rpmIndex][loadIndex]`, filter limits, options
 * @returns one cell per node; unearned cells keep their current value
 */
export function suggestTrims(log: RideLog, problem: TrimProblem, progress: Progress = () => {}): TrimSuggestion {
  progress(0.05, 'filtering rows')
  let filter = filterRows(log, problem.limits)
  progress(0.1, 'finding the sensor delay')
  const { timing, source } = estimateDelay(log, filter, problem, problem.options.delaySeconds)
  const points = smearPoints(log, timing.lagS)
  progress(0.6, 'fitting the table')
  let rows = alignRows(log, filter, problem, timing, points)
  let fit = rows.count > 0 ? fitChange(problem.axes, rows) : null
  let coldLimit = log.coolantC ? { usedC: problem.limits.coldBelowC, raised: false } : null
  const warmer = log.coolantC && fit ? raisedColdLimit(log.coolantC, rows, fit, problem.limits.coldBelowC) : null
  if (warmer !== null) {
    progress(0.8, 'leaving out the warm-up')
    filter = filterRows(log, problem.limits, warmer)
    rows = alignRows(log, filter, problem, timing, points)
    fit = rows.count > 0 ? fitChange(problem.axes, rows) : null
    coldLimit = { usedC: warmer, raised: true }
  }
  progress(0.95, 'writing the table')
  return {
    delaySeconds: wholeDelayS(timing),
    delaySource: source,
    usedRows: rows.count,
    rejected: rows.rejected,
    filtersOff: filter.filtersOff,
    coldLimit,
    reasonOfRow: rows.reasonOfRow,
    cells: suggestCells(problem, fit, medianStep(log.timeS)),
    measured: meanReadings(log, problem, rows),
  }
}

function suggestCells(problem: TrimProblem, fit: ChangeFit | null, stepS: number): TrimCell[][] {
  const { axes, trimPct, currentPct, options } = problem
  return axes.rpm.map((_, r) =>
    axes.load.map((_, l) => {
      const node = r * axes.load.length + l
      const current = currentPct[r][l]
      const rows = fit ? fit.information[node] : 0
      if (!fit || rows < 1e-6)
        return { trimPct: current, changePct: 0, estimatePct: null, stdErrPct: null, evidence: 0, earned: false }
      const estimatePct = trimPct[r][l] + fit.changePct[node]
      const stdErrPct = fit.stdErrPct[node]
      const evidence = rows * stepS
      const earned = evidence >= earnedSeconds && rows >= earnedRows && stdErrPct <= loosestStdErrPct
      const next = earned ? nextValue(current, estimatePct, options) : current
      return { trimPct: next, changePct: next - current, estimatePct, stdErrPct, evidence, earned }
    }),
  )
}

/** current + clamp(gain·(estimate − current), ±largest step), kept within the table's bounds. */
function nextValue(current: number, estimate: number, options: TrimProblem['options']): number {
  const wanted = options.gain * (estimate - current)
  const step = Math.max(-options.maxStepPct, Math.min(options.maxStepPct, wanted))
  return Math.max(options.boundsPct[0], Math.min(options.boundsPct[1], current + step))
}

function meanReadings(log: RideLog, problem: TrimProblem, rows: AlignedRows): TrimSuggestion['measured'] {
  const { axes, target } = problem
  const loads = axes.load.length
  const size = axes.rpm.length * loads
  const count = new Float64Array(size)
  const afr = new Float64Array(size)
  for (let k = 0; k < rows.count; k++) {
    const node = rows.node[k] + (rows.rpmShare[k] >= 0.5 ? loads : 0) + (rows.loadShare[k] >= 0.5 ? 1 : 0)
    count[node]++
    afr[node] += log.afr[rows.source[k]]
  }
  return axes.rpm.map((rpm, r) =>
    axes.load.map((load, l) => {
      const node = r * loads + l
      if (count[node] === 0) return null
      return { afr: afr[node] / count[node], target: targetAt(target, rpm, load), rows: count[node] }
    }),
  )
}

/** Middle of the steps between rows, s. */
export function medianStep(timeS: Float64Array): number {
  if (timeS.length < 2) return 0
  const every = Math.max(1, Math.floor(timeS.length / 5000))
  const steps: number[] = []
  for (let k = 1; k < timeS.length; k += every) steps.push(timeS[k] - timeS[k - 1])
  steps.sort((a, b) => a - b)
  return steps[steps.length >> 1]
}
