import { addTo, bandMatrix, type BandMatrix } from './bandedSolve.ts'
import type { AlignedRows } from './alignRows.ts'
import type { TrimAxes } from './model.ts'

/** Aᵀ·W·A and Aᵀ·W·y of the bilinear weights: only neighbouring nodes meet, so five diagonals hold it all. */
export interface NormalEquations {
  axes: TrimAxes
  size: number
  diagonal: Float64Array
  nextLoad: Float64Array
  nextRpmPreviousLoad: Float64Array
  nextRpm: Float64Array
  nextRpmNextLoad: Float64Array
  right: Float64Array
}

/**
 * @param weights one per aligned row, or undefined for all 1
 */
export function normalEquations(axes: TrimAxes, rows: AlignedRows, weights?: Float64Array): NormalEquations {
  const loads = axes.load.length
  const size = axes.rpm.length * loads
  const diagonal = new Float64Array(size)
  const nextLoad = new Float64Array(size)
  const nextRpmPreviousLoad = new Float64Array(size)
  const nextRpm = new Float64Array(size)
  const nextRpmNextLoad = new Float64Array(size)
  const right = new Float64Array(size)
  const { count, node, rpmShare, loadShare, wantedPct } = rows
  for (let k = 0; k < count; k++) {
    const w = weights ? weights[k] : 1
    const r = rpmShare[k]
    const l = loadShare[k]
    const a = (1 - r) * (1 - l)
    const b = (1 - r) * l
    const c = r * (1 - l)
    const d = r * l
    const i = node[k]
    const y = wantedPct[k] * w
    const wa = w * a
    const wb = w * b
    const wc = w * c
    diagonal[i] += wa * a
    diagonal[i + 1] += wb * b
    diagonal[i + loads] += wc * c
    diagonal[i + loads + 1] += w * d * d
    nextLoad[i] += wa * b
    nextLoad[i + loads] += wc * d
    nextRpmPreviousLoad[i + 1] += wb * c
    nextRpm[i] += wa * c
    nextRpm[i + 1] += wb * d
    nextRpmNextLoad[i] += wa * d
    right[i] += a * y
    right[i + 1] += b * y
    right[i + loads] += c * y
    right[i + loads + 1] += d * y
  }
  return { axes, size, diagonal, nextLoad, nextRpmPreviousLoad, nextRpm, nextRpmNextLoad, right }
}

/** The equations as a band matrix wide enough for the roughness penalty, all entries times `scale`. */
export function toBand(equations: NormalEquations, scale: number): BandMatrix {
  const loads = equations.axes.load.length
  const { size } = equations
  const matrix = bandMatrix(size, bandWidth(equations.axes))
  const put = (values: Float64Array, off: number) => {
    for (let i = 0; i + off < size; i++) if (values[i] !== 0) addTo(matrix, i + off, i, values[i] * scale)
  }
  put(equations.diagonal, 0)
  put(equations.nextLoad, 1)
  put(equations.nextRpmPreviousLoad, loads - 1)
  put(equations.nextRpm, loads)
  put(equations.nextRpmNextLoad, loads + 1)
  return matrix
}

function bandWidth(axes: TrimAxes): number {
  const loads = axes.load.length
  return Math.max(axes.rpm.length > 2 ? 2 * loads : loads + 1, 2)
}

/** Adds μ_r·|D_r δ|² + μ_l·|D_l δ|² + ε·|δ|²: second differences along both axes, axes scaled to 0–1, and a small ridge. */
export function addRoughness(
  matrix: BandMatrix,
  axes: TrimAxes,
  alongRpm: number,
  alongLoad: number,
  ridge: number,
): void {
  const loads = axes.load.length
  const rpmRows = secondDifferences(axes.rpm)
  const loadRows = secondDifferences(axes.load)
  for (let i = 0; i < matrix.size; i++) addTo(matrix, i, i, ridge)
  for (let l = 0; l < loads; l++)
    for (const [at, row] of rpmRows.entries()) addSquare(matrix, at * loads + l, loads, row, alongRpm / loads)
  for (let r = 0; r < axes.rpm.length; r++)
    for (const [at, row] of loadRows.entries()) addSquare(matrix, r * loads + at, 1, row, alongLoad / axes.rpm.length)
}

function addSquare(matrix: BandMatrix, first: number, step: number, row: number[], times: number): void {
  for (let i = 0; i < 3; i++)
    for (let j = 0; j <= i; j++) addTo(matrix, first + i * step, first + j * step, times * row[i] * row[j])
}

/** Rows of the second-difference operator so that their squares sum to about ∫ f″² over the axis scaled to 0–1. */
function secondDifferences(axis: readonly number[]): number[][] {
  const span = axis[axis.length - 1] - axis[0]
  return axis.slice(2).map((_, i) => {
    const h1 = (axis[i + 1] - axis[i]) / span
    const h2 = (axis[i + 2] - axis[i + 1]) / span
    const width = Math.sqrt((h1 + h2) / 2)
    return [2 / (h1 * (h1 + h2)), -2 / (h1 * h2), 2 / (h2 * (h1 + h2))].map((value) => value * width)
  })
}
