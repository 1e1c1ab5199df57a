import type { AlignedRows } from './alignRows.ts'
import type { ChangeFit } from './fitChange.ts'

const binC = 1
const highestC = 95
/** Warm-up still shows in a bin whose residual is off by this much, % trim, and by three of its standard errors. */
const shownPct = 0.25

/**
 * The coolant temperature below which rows still drift, when that is above the limit in force.
 * Compares the mean residual of each 1 °C bin with that of the warmest third of the rows.
 * @returns the raised limit in °C, or null when the limit in force is high enough
 */
export function raisedColdLimit(
  coolantC: Float64Array,
  rows: AlignedRows,
  fit: ChangeFit,
  limitC: number,
): number | null {
  const bins = Math.max(0, Math.ceil((highestC - limitC) / binC))
  const count = new Float64Array(bins + 1)
  const sum = new Float64Array(bins + 1)
  const squares = new Float64Array(bins + 1)
  for (let k = 0; k < rows.count; k++) {
    const bin = Math.min(bins, Math.max(0, Math.floor((coolantC[rows.source[k]] - limitC) / binC)))
    const value = fit.residualPct[k] * fit.weights[k]
    count[bin]++
    sum[bin] += value
    squares[bin] += value * value
  }
  let warmCount = 0
  let warmSum = 0
  for (let bin = bins; bin >= 0 && warmCount < rows.count / 3; bin--) {
    warmCount += count[bin]
    warmSum += sum[bin]
  }
  if (warmCount === 0) return null
  const warm = warmSum / warmCount
  let raised: number | null = null
  for (let bin = 0; bin < bins; bin++) {
    if (count[bin] < 10) continue
    const mean = sum[bin] / count[bin]
    const spread = Math.sqrt(Math.max(0, squares[bin] / count[bin] - mean * mean))
    const error = spread * Math.sqrt(fit.inflation / count[bin])
    if (Math.abs(mean - warm) < Math.max(shownPct, 3 * error)) break
    raised = limitC + (bin + 1) * binC
  }
  return raised
}
