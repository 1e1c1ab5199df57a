/** A linear model fitted with its neighbouring coefficients held smooth. */
export interface Penalised {
  coefficients: Float64Array
  /** Worked out where it is asked for. */
  covariance: () => Float64Array[]
}

/** Third differences: what is left alone is a parabola of the coefficients. */
const differences = [-1, 3, -3, 1] as const
export const order = differences.length - 1
/** What is known of how much it bends, in decades of the penalty. */
const usualSpread = 1
/** A penalty this unlikely beside the best is left out. */
const leastLikely = 1e-3

/**
 * Least squares with third differences of neighbouring coefficients held small. How small the points themselves say (restricted maximum
 * likelihood); every penalty counts by how likely they make it, so one that happens to look best does not decide alone. The covariance is that of the
 * same model read as a prior, with what the penalties differ by: it covers on average what it says.
 * Source: Eilers and Marx, Flexible smoothing with B-splines (1996); Wahba, Bayesian confidence intervals (1983).
 * @param rows what each point makes of the coefficients: m numbers each @param ys as many, more than m
 * @param more.free coefficients at the end that are not held @param more.usual what a third difference usually is, where that is known
 * @returns null where the points do not tell the coefficients
 */
export function penalised(
  rows: readonly Float64Array[],
  ys: readonly number[],
  { free = 0, usual = null }: { free?: number; usual?: number | null } = {},
): Penalised | null {
  const m = rows[0]?.length ?? 0
  const smooth = m - free
  const { normal, right } = normalOf(rows, ys, m)
  const held = differencePenalty(m, smooth)
  const scale = Math.max(...normal.slice(0, smooth).map((row, i) => row[i] ?? 0)) || 1
  const degrees = rows.length - order - free
  const tried: { x: Float64Array; factor: Float64Array[]; variance: number; criterion: number }[] = []
  for (let log = -6; log <= 7; log += 0.5) {
    const lambda = scale * 10 ** log
    const factor = cholesky(normal.map((row, i) => row.map((value, j) => value + lambda * (held[i]?.[j] ?? 0))))
    if (!factor) continue
    const x = solve(factor, right)
    const variance = Math.max(1e-12, misfit(rows, ys, x) + lambda * bending(x, smooth)) / degrees
    const determinant = factor.reduce((sum, row, i) => sum + 2 * Math.log(row[i] ?? 1), 0)
    const known = usual === null ? 0 : (Math.log10((lambda * usual * usual) / variance) / usualSpread) ** 2
    const criterion = degrees * Math.log(variance) + determinant - (smooth - order) * Math.log(lambda) + known
    tried.push({ x, factor, variance, criterion })
  }
  const best = Math.min(...tried.map(({ criterion }) => criterion))
  const likely = tried
    .map((one) => ({ ...one, weight: Math.exp((best - one.criterion) / 2) }))
    .filter(({ weight }) => weight > leastLikely)
  return likely.length === 0 ? null : together(likely, m)
}

/** The mean of several fits, each by its weight, and what is not known of it. */
function together(
  fits: readonly { x: Float64Array; factor: Float64Array[]; variance: number; weight: number }[],
  m: number,
): Penalised {
  const all = fits.reduce((sum, { weight }) => sum + weight, 0)
  const coefficients = new Float64Array(m)
  for (const { x, weight } of fits)
    x.forEach((value, i) => (coefficients[i] = (coefficients[i] ?? 0) + (weight * value) / all))
  let known: Float64Array[] | null = null
  const covariance = () => {
    if (known) return known
    const made = zeros(m)
    for (const fit of fits) {
      const part = fit.weight / all
      const off = fit.x.map((value, i) => value - (coefficients[i] ?? 0))
      inverseOf(fit.factor, m).forEach((row, i) => {
        const into = made[i]
        if (into)
          row.forEach((value, j) => {
            into[j] = (into[j] ?? 0) + part * (fit.variance * value + (off[i] ?? 0) * (off[j] ?? 0))
          })
      })
    }
    known = made
    return made
  }
  return { coefficients, covariance }
}

function normalOf(rows: readonly Float64Array[], ys: readonly number[], m: number) {
  const normal = zeros(m)
  const right = new Float64Array(m)
  rows.forEach((row, k) => {
    for (let i = 0; i < m; i++) {
      const x = row[i] ?? 0
      const into = normal[i]
      if (x === 0 || !into) continue
      right[i] = (right[i] ?? 0) + x * (ys[k] ?? 0)
      for (let j = 0; j < m; j++) into[j] = (into[j] ?? 0) + x * (row[j] ?? 0)
    }
  })
  return { normal, right }
}

/** Squares of what the model leaves of the points. */
function misfit(rows: readonly Float64Array[], ys: readonly number[], x: Float64Array): number {
  let sum = 0
  rows.forEach((row, k) => {
    let off = ys[k] ?? 0
    for (let i = 0; i < x.length; i++) off -= (row[i] ?? 0) * (x[i] ?? 0)
    sum += off * off
  })
  return sum
}

/** Squares of the third differences of the first coefficients. */
function bending(x: Float64Array, smooth: number): number {
  let sum = 0
  for (let k = 0; k + order < smooth; k++) {
    const bend = differences.reduce((all, times, i) => all + times * (x[k + i] ?? 0), 0)
    sum += bend * bend
  }
  return sum
}

/** The same as a matrix. */
function differencePenalty(m: number, smooth: number): Float64Array[] {
  const made = zeros(m)
  for (let k = 0; k + order < smooth; k++)
    differences.forEach((a, i) => {
      const into = made[k + i]
      if (into) differences.forEach((b, j) => (into[k + j] = (into[k + j] ?? 0) + a * b))
    })
  return made
}

const zeros = (m: number): Float64Array[] => Array.from({ length: m }, () => new Float64Array(m))

/** Lower factor of a positive definite matrix; null where it is none. */
function cholesky(matrix: readonly Float64Array[]): Float64Array[] | null {
  const m = matrix.length
  const factor = zeros(m)
  for (let i = 0; i < m; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]?.[j] ?? 0
      for (let k = 0; k < j; k++) sum -= (factor[i]?.[k] ?? 0) * (factor[j]?.[k] ?? 0)
      const row = factor[i]
      if (!row) return null
      if (i === j) {
        if (sum <= 0) return null
        row[j] = Math.sqrt(sum)
      } else row[j] = sum / (factor[j]?.[j] ?? 1)
    }
  return factor
}

function solve(factor: readonly Float64Array[], right: Float64Array): Float64Array {
  const m = factor.length
  const x = Float64Array.from(right)
  for (let i = 0; i < m; i++) {
    for (let k = 0; k < i; k++) x[i] = (x[i] ?? 0) - (factor[i]?.[k] ?? 0) * (x[k] ?? 0)
    x[i] = (x[i] ?? 0) / (factor[i]?.[i] ?? 1)
  }
  for (let i = m - 1; i >= 0; i--) {
    for (let k = i + 1; k < m; k++) x[i] = (x[i] ?? 0) - (factor[k]?.[i] ?? 0) * (x[k] ?? 0)
    x[i] = (x[i] ?? 0) / (factor[i]?.[i] ?? 1)
  }
  return x
}

function inverseOf(factor: readonly Float64Array[], m: number): Float64Array[] {
  return Array.from({ length: m }, (_item, i) => {
    const unit = new Float64Array(m)
    unit[i] = 1
    return solve(factor, unit)
  })
}
