/**
 * Symmetric positive definite band matrix, lower half: `values[row * (width + 1) + (row - column)]`.
 */
export interface BandMatrix {
  size: number
  /** Diagonals below the main one. */
  width: number
  values: Float64Array
}

export function bandMatrix(size: number, width: number): BandMatrix {
  return { size, width, values: new Float64Array(size * (width + 1)) }
}

export function addTo(matrix: BandMatrix, a: number, b: number, value: number): void {
  const row = Math.max(a, b)
  const off = Math.abs(a - b)
  if (off > matrix.width) throw new Error(`fuel-trim: entry ${a},${b} lies outside the band of ${matrix.width}`)
  matrix.values[row * (matrix.width + 1) + off] += value
}

export interface BandFactor {
  size: number
  width: number
  /** Unit lower triangle L, stored like the matrix; the main diagonal holds D. */
  values: Float64Array
}

/**
 * L·D·Lᵀ factors of a band matrix, O(size · width²).
 * @throws when a pivot is not clearly positive, that is, when the matrix is not positive definite to working precision
 * Golub and Van Loan, Matrix Computations, §4.3.
 */
export function factorBand(matrix: BandMatrix): BandFactor {
  const { size, width } = matrix
  const stride = width + 1
  const values = matrix.values.slice()
  let largest = 0
  for (let row = 0; row < size; row++) largest = Math.max(largest, values[row * stride])
  const scaled = new Float64Array(width + 1)
  for (let row = 0; row < size; row++) {
    const first = Math.max(0, row - width)
    for (let column = first; column < row; column++) {
      let sum = values[row * stride + (row - column)]
      const from = Math.max(first, column - width)
      for (let k = from; k < column; k++) sum -= scaled[row - k] * values[column * stride + (column - k)]
      scaled[row - column] = sum
    }
    let pivot = values[row * stride]
    for (let column = first; column < row; column++) {
      const l = scaled[row - column] / values[column * stride]
      values[row * stride + (row - column)] = l
      pivot -= l * scaled[row - column]
    }
    if (!(pivot > largest * 1e-14)) throw new Error(`fuel-trim: the fit is not determined at node ${row}`)
    values[row * stride] = pivot
  }
  return { size, width, values }
}

export function solveBand(factor: BandFactor, right: Float64Array): Float64Array {
  const { size, width, values } = factor
  const stride = width + 1
  const x = right.slice()
  for (let row = 0; row < size; row++)
    for (let column = Math.max(0, row - width); column < row; column++)
      x[row] -= values[row * stride + (row - column)] * x[column]
  for (let row = 0; row < size; row++) x[row] /= values[row * stride]
  for (let row = size - 1; row >= 0; row--) {
    const last = Math.min(size - 1, row + width)
    for (let below = row + 1; below <= last; below++) x[row] -= values[below * stride + (below - row)] * x[below]
  }
  return x
}

/**
 * The entries of the inverse that lie inside the band, O(size · width²).
 * Takahashi, Fagan and Chin 1973; Erisman and Tinney 1975.
 */
export function inverseInBand(factor: BandFactor): BandMatrix {
  const { size, width, values } = factor
  const stride = width + 1
  const inverse = new Float64Array(size * stride)
  // The column of L below its diagonal.
  const below = new Float64Array(stride)
  for (let column = size - 1; column >= 0; column--) {
    const last = Math.min(size - 1, column + width)
    for (let k = column + 1; k <= last; k++) below[k - column] = values[k * stride + (k - column)]
    for (let row = last; row > column; row--) {
      let sum = 0
      for (let k = column + 1; k <= row; k++) sum -= below[k - column] * inverse[row * stride + (row - k)]
      for (let k = row + 1; k <= last; k++) sum -= below[k - column] * inverse[k * stride + (k - row)]
      inverse[row * stride + (row - column)] = sum
    }
    let diagonal = 1 / values[column * stride]
    for (let k = column + 1; k <= last; k++) diagonal -= below[k - column] * inverse[k * stride + (k - column)]
    inverse[column * stride] = diagonal
  }
  return { size, width, values: inverse }
}
