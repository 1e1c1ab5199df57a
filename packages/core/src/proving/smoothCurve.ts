/** A smooth curve through noisy points, with what is not known of it. */
export interface SmoothCurve {
  /** Value and slope at a time. */
  at: (t: number) => { value: number; slope: number }
  /** Variance of `a` × value + `b` × slope at a time. */
  variance: (t: number, a: number, b: number) => number
  /** Standard deviation of a point round the curve. */
  noise: number
}

const degree = 3
const mostPieces = 36
const pointsPerPiece = 2
const order = 3
/** A little stiffer than the points ask for: over known pulls the slope is nearer to the truth, and its bands cover 96 % instead of 98. */
const stiffer = Math.sqrt(10)

/**
 * A penalised cubic spline on even knots: third differences of its coefficients are held small, by as much as the points themselves ask for
 * (restricted maximum likelihood). Its bands are those of the same model read as a prior, which cover on average what they say.
 * Source: Eilers and Marx, Flexible smoothing with B-splines (1996); Wahba, Bayesian confidence intervals (1983).
 * @param ts rising @param ys as many, at least eight
 */
export function smoothCurve(ts: readonly number[], ys: readonly number[]): SmoothCurve {
  const n = ts.length
  const [t0, t1] = [ts[0] ?? 0, ts[n - 1] ?? 1]
  const pieces = Math.max(4, Math.min(mostPieces, Math.floor(n / pointsPerPiece)))
  const width = (t1 - t0) / pieces || 1
  const m = pieces + degree
  const basis = (t: number) => basisAt((t - t0) / width, pieces, width)
  const normal = zeros(m)
  const right = new Float64Array(m)
  let yy = 0
  for (let k = 0; k < n; k++) {
    const { from, values } = basis(ts[k] ?? 0)
    const y = ys[k] ?? 0
    yy += y * y
    for (let i = 0; i <= degree; i++) {
      right[from + i] = (right[from + i] ?? 0) + (values[i] ?? 0) * y
      const row = normal[from + i]
      if (row)
        for (let j = 0; j <= degree; j++) row[from + j] = (row[from + j] ?? 0) + (values[i] ?? 0) * (values[j] ?? 0)
    }
  }
  const penalty = differencePenalty(m)
  const withPenalty = (lambda: number) =>
    cholesky(normal.map((row, i) => row.map((value, j) => value + lambda * (penalty[i]?.[j] ?? 0))))
  let best: { criterion: number; lambda: number; variance: number } | null = null
  for (let log = -4; log <= 9; log += 0.5) {
    const lambda = 10 ** log
    const factor = withPenalty(lambda)
    if (!factor) continue
    const coefficients = solve(factor, right)
    let fitted = 0
    for (let i = 0; i < m; i++) fitted += (coefficients[i] ?? 0) * (right[i] ?? 0)
    const residual = Math.max(1e-12, yy - fitted)
    const variance = residual / (n - order)
    let logDeterminant = 0
    for (let i = 0; i < m; i++) logDeterminant += 2 * Math.log(factor[i]?.[i] ?? 1)
    const criterion = (n - order) * Math.log(variance) + logDeterminant - (m - order) * Math.log(lambda)
    if (best === null || criterion < best.criterion) best = { criterion, lambda, variance }
  }
  const factor = best && withPenalty(best.lambda * stiffer)
  if (best === null || !factor) throw new RangeError('no curve through these points')
  const { variance } = best
  const coefficients = solve(factor, right)
  const inverse = inverseOf(factor, m)
  return {
    noise: Math.sqrt(variance),
    at(t) {
      const { from, values, slopes } = basis(t)
      let [value, slope] = [0, 0]
      for (let i = 0; i <= degree; i++) {
        value += (values[i] ?? 0) * (coefficients[from + i] ?? 0)
        slope += (slopes[i] ?? 0) * (coefficients[from + i] ?? 0)
      }
      return { value, slope }
    },
    variance(t, a, b) {
      const { from, values, slopes } = basis(t)
      const g = values.map((value, i) => a * value + b * (slopes[i] ?? 0))
      let sum = 0
      for (let i = 0; i <= degree; i++)
        for (let j = 0; j <= degree; j++) sum += (g[i] ?? 0) * (g[j] ?? 0) * (inverse[from + i]?.[from + j] ?? 0)
      return Math.max(0, sum) * variance
    },
  }
}

/** The four cubic pieces that are not nothing there, and their slopes. @param x in widths of a piece from the first knot */
function basisAt(x: number, pieces: number, width: number): { from: number; values: number[]; slopes: number[] } {
  const from = Math.max(0, Math.min(pieces - 1, Math.floor(x)))
  const u = x - from
  const [u2, u3] = [u * u, u * u * u]
  return {
    from,
    values: [(1 - u) ** 3 / 6, (3 * u3 - 6 * u2 + 4) / 6, (-3 * u3 + 3 * u2 + 3 * u + 1) / 6, u3 / 6],
    slopes: [-((1 - u) ** 2) / 2, (3 * u2 - 4 * u) / 2, (-3 * u2 + 2 * u + 1) / 2, u2 / 2].map((one) => one / width),
  }
}

const zeros = (m: number): Float64Array[] => Array.from({ length: m }, () => new Float64Array(m))

/** Third differences of m coefficients, squared. */
function differencePenalty(m: number): Float64Array[] {
  const made = zeros(m)
  const row = [-1, 3, -3, 1]
  for (let k = 0; k + order < m; k++)
    for (let i = 0; i <= order; i++)
      for (let j = 0; j <= order; j++) {
        const of = made[k + i]
        if (of) of[k + j] = (of[k + j] ?? 0) + (row[i] ?? 0) * (row[j] ?? 0)
      }
  return made
}

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
