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
  const points = sparse(rows)
  const { normal, right } = normalOf(points, ys, m)
  const held = differencePenalty(m, smooth)
  let scale = 0
  for (let i = 0; i < smooth; i++) scale = Math.max(scale, normal[i * m + i])
  scale ||= 1
  const degrees = rows.length - order - free
  const tried: { x: Float64Array; factor: Factor; variance: number; criterion: number }[] = []
  for (let log = -6; log <= 7; log += 0.5) {
    const lambda = scale * 10 ** log
    const factor = cholesky(
      normal.map((value, at) => value + lambda * held[at]),
      m,
    )
    if (!factor) continue
    const x = solve(factor, right)
    const variance = Math.max(1e-12, misfit(points, ys, x) + lambda * bending(x, smooth)) / degrees
    let determinant = 0
    for (let i = 0; i < m; i++) determinant += 2 * Math.log(factor.values[i * m + i])
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
  fits: readonly { x: Float64Array; factor: Factor; variance: number; weight: number }[],
  m: number,
): Penalised {
  const all = fits.reduce((sum, { weight }) => sum + weight, 0)
  const coefficients = new Float64Array(m)
  for (const { x, weight } of fits) x.forEach((value, i) => (coefficients[i] += (weight * value) / all))
  let known: Float64Array[] | null = null
  const covariance = () => {
    if (known) return known
    const made = Array.from({ length: m }, () => new Float64Array(m))
    const unit = new Float64Array(m)
    for (const { weight, x, factor, variance } of fits) {
      const part = weight / all
      const off = x.map((value, i) => value - coefficients[i])
      made.forEach((into, i) => {
        unit.fill(0)
        unit[i] = 1
        solve(factor, unit).forEach((value, j) => {
          into[j] += part * (variance * value + off[i] * off[j])
        })
      })
    }
    known = made
    return made
  }
  return { coefficients, covariance }
}

/** What each point makes of the coefficients, by those it touches: a cubic piece touches four. */
interface Points {
  count: number
  /** Where each point's figures begin, and where the last one's end. */
  from: Int32Array
  at: Int32Array
  value: Float64Array
}

function sparse(rows: readonly Float64Array[]): Points {
  const from = new Int32Array(rows.length + 1)
  const [at, value]: [number[], number[]] = [[], []]
  rows.forEach((row, k) => {
    row.forEach((figure, i) => {
      if (figure === 0) return
      at.push(i)
      value.push(figure)
    })
    from[k + 1] = at.length
  })
  return { count: rows.length, from, at: Int32Array.from(at), value: Float64Array.from(value) }
}

/** The normal equations, the matrix by rows: m × m. */
function normalOf({ count, from, at, value }: Points, ys: readonly number[], m: number) {
  const normal = new Float64Array(m * m)
  const right = new Float64Array(m)
  for (let k = 0; k < count; k++)
    for (let a = from[k]; a < from[k + 1]; a++) {
      right[at[a]] += value[a] * ys[k]
      for (let b = from[k]; b < from[k + 1]; b++) normal[at[a] * m + at[b]] += value[a] * value[b]
    }
  return { normal, right }
}

/** Squares of what the model leaves of the points. */
function misfit({ count, from, at, value }: Points, ys: readonly number[], x: Float64Array): number {
  let sum = 0
  for (let k = 0; k < count; k++) {
    let off = ys[k]
    for (let a = from[k]; a < from[k + 1]; a++) off -= value[a] * x[at[a]]
    sum += off * off
  }
  return sum
}

/** Squares of the third differences of the first coefficients. */
function bending(x: Float64Array, smooth: number): number {
  let sum = 0
  for (let k = 0; k + order < smooth; k++) {
    let bend = 0
    for (let i = 0; i <= order; i++) bend += differences[i] * x[k + i]
    sum += bend * bend
  }
  return sum
}

/** The same as a matrix by rows. */
function differencePenalty(m: number, smooth: number): Float64Array {
  const made = new Float64Array(m * m)
  for (let k = 0; k + order < smooth; k++)
    differences.forEach((a, i) => differences.forEach((b, j) => (made[(k + i) * m + k + j] += a * b)))
  return made
}

/** A lower factor by rows, with the first column of each row that is not zero: what lies before it stays so. */
interface Factor {
  m: number
  values: Float64Array
  first: Int32Array
}

/** Lower factor of a positive definite matrix given by rows; null where it is none. */
function cholesky(matrix: Float64Array, m: number): Factor | null {
  const values = new Float64Array(m * m)
  const first = new Int32Array(m)
  for (let i = 0; i < m; i++) {
    let begin = 0
    while (begin < i && matrix[i * m + begin] === 0) begin++
    first[i] = begin
    for (let j = begin; j <= i; j++) {
      let sum = matrix[i * m + j]
      for (let k = Math.max(begin, first[j]); k < j; k++) sum -= values[i * m + k] * values[j * m + k]
      if (i !== j) values[i * m + j] = sum / values[j * m + j]
      else if (sum <= 0) return null
      else values[i * m + i] = Math.sqrt(sum)
    }
  }
  return { m, values, first }
}

function solve({ m, values, first }: Factor, right: Float64Array): Float64Array {
  const x = right.slice()
  for (let i = 0; i < m; i++) {
    for (let k = first[i]; k < i; k++) x[i] -= values[i * m + k] * x[k]
    x[i] /= values[i * m + i]
  }
  for (let i = m - 1; i >= 0; i--) {
    x[i] /= values[i * m + i]
    for (let k = first[i]; k < i; k++) x[k] -= values[i * m + k] * x[i]
  }
  return x
}
