/** Cubic pieces that make a curve: on so many even spans there are three more of them than spans. */
export const degree = 3

/** Which pieces are not nothing at a place, and their slopes. */
export interface CubicPieces {
  from: number
  values: number[]
  slopes: number[]
}

/** @param x in widths of a span from the first knot @param spans how many @param width of one, for the slopes */
export function piecesAt(x: number, spans: number, width: number): CubicPieces {
  const from = Math.max(0, Math.min(spans - 1, Math.floor(x)))
  const u = x - from
  const [u2, u3] = [u * u, u * u * u]
  return {
    from,
    values: [(1 - u) ** 3 / 6, (3 * u3 - 6 * u2 + 4) / 6, (-3 * u3 + 3 * u2 + 3 * u + 1) / 6, u3 / 6],
    slopes: [-((1 - u) ** 2) / 2, (3 * u2 - 4 * u) / 2, (-3 * u2 + 2 * u + 1) / 2, u2 / 2].map((one) => one / width),
  }
}

/** What a curve of these coefficients is there. @param parts values, or slopes */
export const along = (coefficients: Float64Array, from: number, parts: readonly number[]): number =>
  parts.reduce((sum, part, i) => sum + part * (coefficients[from + i] ?? 0), 0)

/** Variance of what a curve is there. */
export const varianceAlong = (covariance: readonly Float64Array[], from: number, parts: readonly number[]): number =>
  Math.max(
    0,
    parts.reduce((sum, a, i) => sum + a * along(covariance[from + i] ?? new Float64Array(0), from, parts), 0),
  )

/** One line of a linear model: the pieces at their places among m. */
export function lineOf(m: number, from: number, parts: readonly number[]): Float64Array {
  const line = new Float64Array(m)
  line.set(parts, from)
  return line
}
