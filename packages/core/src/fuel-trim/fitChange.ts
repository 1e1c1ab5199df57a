import { factorBand, inverseInBand, solveBand, type BandMatrix } from './bandedSolve.ts'
import type { AlignedRows } from './alignRows.ts'
import type { TrimAxes } from './model.ts'
import { addRoughness, normalEquations, toBand, type NormalEquations } from './normalEquations.ts'

export interface ChangeFit {
  /** Wanted change at each node, % trim, node = rpmIndex · loads + loadIndex. */
  changePct: Float64Array
  /** One standard error at each node, % trim. */
  stdErrPct: Float64Array
  /** Sum of weight × bilinear weight squared at each node, in rows. */
  information: Float64Array
  /** How many rows in a row count as one independent reading. */
  inflation: number
  /** Residual of each aligned row, % trim. */
  residualPct: Float64Array
  weights: Float64Array
}

/** Weight of the ridge against the mean information of a visited node: one answer for any log, no visible pull. */
const ridgeShare = 1e-6
const huberTuning = 1.345
/** What a reading cannot tell about its node however long one stays there: lag that is no pure delay, % trim. */
const modelFloorPct = 0.03

/**
 * Wanted change of the table from aligned rows: Huber-weighted penalised least squares, smoothing chosen by
 * generalised cross-validation on the decorrelated number of rows.
 * @throws when no row is given
 */
export function fitChange(axes: TrimAxes, rows: AlignedRows): ChangeFit {
  if (rows.count === 0) throw new Error('fuel-trim: no row is left to fit')
  const weights = rows.trust.slice()
  let equations = normalEquations(axes, rows, weights)
  let smoothing: Smoothing = { alongRpm: startSmoothing(equations), alongLoad: startSmoothing(equations) }
  let change = solveSmoothed(equations, 1, smoothing).change
  let inflation = 1
  let residualPct = residuals(axes, rows, change)
  for (let pass = 0; pass < 3; pass++) {
    reweigh(residualPct, rows.trust, weights)
    equations = normalEquations(axes, rows, weights)
    inflation = autocorrelationTime(rows, residualPct)
    if (pass < 2) smoothing = chooseSmoothing(equations, rows, weights, inflation, smoothing)
    change = solveSmoothed(equations, 1 / inflation, smoothing).change
    residualPct = residuals(axes, rows, change)
  }
  const solved = solveSmoothed(equations, 1 / inflation, smoothing)
  const inverse = inverseInBand(solved.factor)
  const edf = effectiveParameters(equations, 1 / inflation, inverse)
  let squares = 0
  let weight = 0
  for (let k = 0; k < rows.count; k++) {
    squares += weights[k] * residualPct[k] ** 2
    weight += weights[k]
  }
  const variance = squares / Math.max(1, weight - edf * inflation)
  const stdErrPct = new Float64Array(equations.size)
  for (let i = 0; i < equations.size; i++)
    stdErrPct[i] = Math.sqrt(Math.max(0, variance * inverse.values[i * (inverse.width + 1)]) + modelFloorPct ** 2)
  return { changePct: change, stdErrPct, information: equations.diagonal, inflation, residualPct, weights }
}

interface Smoothing {
  alongRpm: number
  alongLoad: number
}

function meanInformation(equations: NormalEquations): number {
  let sum = 0
  let visited = 0
  for (const value of equations.diagonal) {
    if (value > 0) visited++
    sum += value
  }
  return visited > 0 ? sum / visited : 1
}

function startSmoothing(equations: NormalEquations): number {
  return meanInformation(equations) * 1e-3
}

function solveSmoothed(equations: NormalEquations, scale: number, smoothing: Smoothing) {
  const matrix = toBand(equations, scale)
  const ridge = ridgeShare * scale * meanInformation(equations)
  addRoughness(matrix, equations.axes, smoothing.alongRpm, smoothing.alongLoad, ridge)
  const factor = factorBand(matrix)
  return {
    factor,
    change: solveBand(
      factor,
      equations.right.map((value) => value * scale),
    ),
  }
}

/** Trace of A·(A + P)⁻¹: how many free numbers the fit spends. */
function effectiveParameters(equations: NormalEquations, scale: number, inverse: BandMatrix): number {
  const loads = equations.axes.load.length
  const stride = inverse.width + 1
  let trace = 0
  const add = (values: Float64Array, off: number, times: number) => {
    for (let i = 0; i + off < equations.size; i++) trace += times * values[i] * inverse.values[(i + off) * stride + off]
  }
  add(equations.diagonal, 0, 1)
  add(equations.nextLoad, 1, 2)
  add(equations.nextRpmPreviousLoad, loads - 1, 2)
  add(equations.nextRpm, loads, 2)
  add(equations.nextRpmNextLoad, loads + 1, 2)
  return trace * scale
}

/** Smallest GCV score n·RSS/(n − tr)² over a log grid, first both axes together, then each by itself. */
function chooseSmoothing(
  equations: NormalEquations,
  rows: AlignedRows,
  weights: Float64Array,
  inflation: number,
  start: Smoothing,
): Smoothing {
  const scale = 1 / inflation
  const n = rows.count * scale
  const unit = meanInformation(equations) * scale
  const total = weightedSquares(rows, weights) * scale
  const score = (smoothing: Smoothing) => {
    const { factor, change } = solveSmoothed(equations, scale, smoothing)
    const inverse = inverseInBand(factor)
    const rss = total + scale * quadratic(equations, change)
    const free = n - effectiveParameters(equations, scale, inverse)
    return free > 0 ? (n * Math.max(rss, 0)) / (free * free) : Infinity
  }
  let best = start
  let bestScore = Infinity
  const consider = (smoothing: Smoothing) => {
    const value = score(smoothing)
    if (value < bestScore) {
      best = smoothing
      bestScore = value
    }
  }
  for (let power = -7; power <= 1; power++) consider({ alongRpm: unit * 10 ** power, alongLoad: unit * 10 ** power })
  for (const factor of [0.01, 0.1, 10, 100]) consider({ ...best, alongRpm: best.alongRpm * factor })
  for (const factor of [0.01, 0.1, 10, 100]) consider({ ...best, alongLoad: best.alongLoad * factor })
  return best
}

function weightedSquares(rows: AlignedRows, weights: Float64Array): number {
  let sum = 0
  for (let k = 0; k < rows.count; k++) sum += weights[k] * rows.wantedPct[k] ** 2
  return sum
}

/** δᵀAδ − 2·δᵀb, so that RSS = Σwy² + this. */
function quadratic(equations: NormalEquations, change: Float64Array): number {
  const loads = equations.axes.load.length
  let sum = 0
  const add = (values: Float64Array, off: number, times: number) => {
    for (let i = 0; i + off < equations.size; i++) sum += times * values[i] * change[i] * change[i + off]
  }
  add(equations.diagonal, 0, 1)
  add(equations.nextLoad, 1, 2)
  add(equations.nextRpmPreviousLoad, loads - 1, 2)
  add(equations.nextRpm, loads, 2)
  add(equations.nextRpmNextLoad, loads + 1, 2)
  for (let i = 0; i < equations.size; i++) sum -= 2 * change[i] * equations.right[i]
  return sum
}

export function residuals(axes: TrimAxes, rows: AlignedRows, change: Float64Array): Float64Array {
  const loads = axes.load.length
  const { count, node, rpmShare, loadShare, wantedPct } = rows
  const result = new Float64Array(count)
  for (let k = 0; k < count; k++) {
    const i = node[k]
    const l = loadShare[k]
    const lower = change[i] * (1 - l) + change[i + 1] * l
    const upper = change[i + loads] * (1 - l) + change[i + loads + 1] * l
    result[k] = wantedPct[k] - (lower * (1 - rpmShare[k]) + upper * rpmShare[k])
  }
  return result
}

/** Robust spread: 1.4826 × median of |residual|, from at most about 20,000 of them. */
export function robustScale(values: Float64Array): number {
  const every = Math.max(1, Math.floor(values.length / 20_000))
  const sample = new Float64Array(Math.ceil(values.length / every))
  for (let k = 0; k < sample.length; k++) sample[k] = Math.abs(values[k * every])
  sample.sort()
  return Math.max(1e-6, 1.4826 * sample[sample.length >> 1])
}

/** Huber 1964: full weight within 1.345 spreads, then falling with distance. */
function reweigh(residualPct: Float64Array, trust: Float64Array, weights: Float64Array): void {
  const limit = huberTuning * robustScale(residualPct)
  for (let k = 0; k < weights.length; k++) {
    const size = Math.abs(residualPct[k])
    weights[k] = size <= limit ? trust[k] : (trust[k] * limit) / size
  }
}

/** 1 + 2·Σρ over the leading positive autocorrelations of the clipped residuals (initial positive sequence, Geyer 1992). */
function autocorrelationTime(rows: AlignedRows, residualPct: Float64Array): number {
  const limit = 3 * robustScale(residualPct)
  const longest = Math.min(200, rows.count - 1)
  const clip = (value: number) => Math.max(-limit, Math.min(limit, value))
  let squares = 0
  for (const value of residualPct) squares += clip(value) ** 2
  if (squares === 0) return 1
  const variance = squares / rows.count
  let time = 1
  for (let lag = 1; lag <= longest; lag++) {
    let sum = 0
    let pairs = 0
    for (let k = lag; k < rows.count; k++) {
      if (rows.source[k] - rows.source[k - lag] !== lag) continue
      sum += clip(residualPct[k]) * clip(residualPct[k - lag])
      pairs++
    }
    if (pairs < 50) break
    const correlation = sum / pairs / variance
    if (correlation < 0.02) break
    time += 2 * correlation
  }
  return time
}
