import fc from 'fast-check'
import { expect, test } from 'vitest'
import { addTo, bandMatrix, factorBand, inverseInBand, solveBand } from './bandedSolve.ts'

/** Gauss and Jordan on the full matrix: slow, plain, for comparison. */
function invertPlainly(full: number[][]): number[][] {
  const n = full.length
  const work = full.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))])
  for (let p = 0; p < n; p++) {
    const pivot = work[p][p]
    for (let j = 0; j < 2 * n; j++) work[p][j] /= pivot
    for (let i = 0; i < n; i++) {
      if (i === p) continue
      const factor = work[i][p]
      for (let j = 0; j < 2 * n; j++) work[i][j] -= factor * work[p][j]
    }
  }
  return work.map((row) => row.slice(n))
}

const bandCase = fc.record({
  size: fc.integer({ min: 1, max: 9 }),
  width: fc.integer({ min: 0, max: 4 }),
  noise: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 60, maxLength: 60 }),
})

test('solution and inverse agree with the full matrix', () => {
  fc.assert(
    fc.property(bandCase, ({ size, width, noise }) => {
      const matrix = bandMatrix(size, width)
      const full = Array.from({ length: size }, () => new Array<number>(size).fill(0))
      let used = 0
      for (let i = 0; i < size; i++)
        for (let j = Math.max(0, i - width); j <= i; j++) {
          const value = i === j ? 2 * width + 1.5 : noise[used++ % noise.length]
          addTo(matrix, i, j, value)
          full[i][j] = value
          full[j][i] = value
        }
      const inverse = invertPlainly(full)
      const factor = factorBand(matrix)
      const right = Float64Array.from({ length: size }, (_, i) => i + 1)
      const x = solveBand(factor, right)
      const selected = inverseInBand(factor)
      for (let i = 0; i < size; i++) {
        expect(x[i]).toBeCloseTo(
          inverse[i].reduce((sum, value, j) => sum + value * right[j], 0),
          8,
        )
        for (let j = Math.max(0, i - width); j <= i; j++)
          expect(selected.values[i * (width + 1) + (i - j)]).toBeCloseTo(inverse[i][j], 8)
      }
    }),
  )
})

test('a matrix that is not positive definite is refused with its node', () => {
  const matrix = bandMatrix(2, 1)
  addTo(matrix, 0, 0, 1)
  addTo(matrix, 1, 0, 1)
  addTo(matrix, 1, 1, 1)
  expect(() => factorBand(matrix)).toThrow('not determined at node 1')
})

test('an entry outside the band is refused', () => {
  expect(() => addTo(bandMatrix(4, 1), 3, 1, 1)).toThrow('outside the band')
})
