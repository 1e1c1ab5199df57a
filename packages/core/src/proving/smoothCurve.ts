import { along, degree, lineOf, piecesAt, varianceAlong } from './cubicPieces.ts'
import { penalised } from './penalised.ts'

/** A smooth curve through noisy points, with what is not known of it. */
export interface SmoothCurve {
  /** Value and slope at a time. */
  at: (t: number) => { value: number; slope: number }
  /** Variance of `a` × value + `b` × slope at a time. */
  variance: (t: number, a: number, b: number) => number
}

const mostSpans = 36
const pointsPerSpan = 2

/**
 * A cubic spline on even knots, as smooth as its points ask for.
 * @param ts rising @param ys as many, at least eight
 */
export function smoothCurve(ts: readonly number[], ys: readonly number[]): SmoothCurve {
  const n = ts.length
  const [t0, t1] = [ts[0] ?? 0, ts[n - 1] ?? 1]
  const spans = Math.max(4, Math.min(mostSpans, Math.floor(n / pointsPerSpan)))
  const width = (t1 - t0) / spans || 1
  const pieces = (t: number) => piecesAt((t - t0) / width, spans, width)
  const lines = ts.map((t) => {
    const { from, values } = pieces(t)
    return lineOf(spans + degree, from, values)
  })
  const made = penalised(lines, ys)
  if (!made) throw new RangeError('no curve through these points')
  const { coefficients, covariance } = made
  return {
    at(t) {
      const { from, values, slopes } = pieces(t)
      return { value: along(coefficients, from, values), slope: along(coefficients, from, slopes) }
    },
    variance(t, a, b) {
      const { from, values, slopes } = pieces(t)
      const parts = values.map((value, i) => a * value + b * (slopes[i] ?? 0))
      return varianceAlong(covariance(), from, parts)
    },
  }
}
