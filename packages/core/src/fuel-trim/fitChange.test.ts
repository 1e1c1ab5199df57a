import { expect, test } from 'vitest'
import { seededRandom } from '../shared/index.ts'
import type { AlignedRows } from './alignRows.ts'
import { factorBand, solveBand } from './bandedSolve.ts'
import { fitChange } from './fitChange.ts'
import { addRoughness, normalEquations, toBand } from './normalEquations.ts'

const axes = { rpm: [1000, 2000, 4000], load: [0, 10, 50, 100] }

function randomRows(seed: number, count: number, wanted: (rpm: number, load: number) => number): AlignedRows {
  const random = seededRandom(seed)
  const rows: AlignedRows = {
    count,
    source: Int32Array.from({ length: count }, (_, k) => k),
    node: new Int32Array(count),
    rpmShare: new Float64Array(count),
    loadShare: new Float64Array(count),
    wantedPct: new Float64Array(count),
    trust: new Float64Array(count).fill(1),
    rejected: {},
    reasonOfRow: new Uint8Array(count),
  }
  for (let k = 0; k < count; k++) {
    const r = Math.floor(random.uniform() * 2)
    const l = Math.floor(random.uniform() * 3)
    rows.node[k] = r * 4 + l
    rows.rpmShare[k] = random.uniform()
    rows.loadShare[k] = random.uniform()
    const rpm = axes.rpm[r] + (axes.rpm[r + 1] - axes.rpm[r]) * rows.rpmShare[k]
    const load = axes.load[l] + (axes.load[l + 1] - axes.load[l]) * rows.loadShare[k]
    rows.wantedPct[k] = wanted(rpm, load) + random.normal()
  }
  return rows
}

/** Full normal matrix built row by row from the definition, solved by elimination. */
function solvePlainly(rows: AlignedRows, alongRpm: number, alongLoad: number, ridge: number): number[] {
  const n = 12
  const matrix = Array.from({ length: n }, (_, i) => Array.from({ length: n + 1 }, (__, j) => (i === j ? ridge : 0)))
  const addRow = (weights: [number, number][], value: number, times: number) => {
    for (const [i, a] of weights) {
      for (const [j, b] of weights) matrix[i][j] += times * a * b
      matrix[i][n] += times * a * value
    }
  }
  for (let k = 0; k < rows.count; k++) {
    const [i, r, l] = [rows.node[k], rows.rpmShare[k], rows.loadShare[k]]
    addRow(
      [
        [i, (1 - r) * (1 - l)],
        [i + 1, (1 - r) * l],
        [i + 4, r * (1 - l)],
        [i + 5, r * l],
      ],
      rows.wantedPct[k],
      1,
    )
  }
  const second = (axis: number[], at: number) => {
    const span = axis[axis.length - 1] - axis[0]
    const h1 = (axis[at + 1] - axis[at]) / span
    const h2 = (axis[at + 2] - axis[at + 1]) / span
    const scale = Math.sqrt((h1 + h2) / 2)
    return [2 / (h1 * (h1 + h2)), -2 / (h1 * h2), 2 / (h2 * (h1 + h2))].map((value) => value * scale)
  }
  for (let l = 0; l < 4; l++) {
    const [a, b, c] = second(axes.rpm, 0)
    addRow(
      [
        [l, a],
        [4 + l, b],
        [8 + l, c],
      ],
      0,
      alongRpm / 4,
    )
  }
  for (let r = 0; r < 3; r++)
    for (let at = 0; at < 2; at++) {
      const [a, b, c] = second(axes.load, at)
      addRow(
        [
          [r * 4 + at, a],
          [r * 4 + at + 1, b],
          [r * 4 + at + 2, c],
        ],
        0,
        alongLoad / 3,
      )
    }
  for (let p = 0; p < n; p++)
    for (let i = 0; i < n; i++) {
      if (i === p) continue
      const factor = matrix[i][p] / matrix[p][p]
      for (let j = p; j <= n; j++) matrix[i][j] -= factor * matrix[p][j]
    }
  return matrix.map((row, i) => row[n] / row[i])
}

test('the banded fit equals the fit written out plainly', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const rows = randomRows(seed, 60, (rpm, load) => rpm / 1000 - load / 20)
    const equations = normalEquations(axes, rows)
    const matrix = toBand(equations, 1)
    addRoughness(matrix, axes, 0.3, 0.02, 0.001)
    const banded = solveBand(factorBand(matrix), equations.right)
    solvePlainly(rows, 0.3, 0.02, 0.001).forEach((value, i) => expect(banded[i]).toBeCloseTo(value, 7))
  }
})

test('independent noise is found to be independent, repeated readings are found to be repeated', () => {
  const plain = fitChange(
    axes,
    randomRows(3, 4000, () => 2),
  )
  expect(plain.inflation).toBeLessThan(1.3)
  const rows = randomRows(3, 4000, () => 2)
  for (let k = 0; k < rows.count; k++) rows.wantedPct[k] = rows.wantedPct[k - (k % 5)]
  const repeated = fitChange(axes, rows)
  expect(repeated.inflation).toBeGreaterThan(3.5)
  expect(repeated.stdErrPct[5]).toBeGreaterThan(1.5 * plain.stdErrPct[5])
})

test('wild readings do not pull the table', () => {
  const rows = randomRows(5, 3000, () => 1)
  for (let k = 0; k < rows.count; k += 12) rows.wantedPct[k] = 60
  const { changePct } = fitChange(axes, rows)
  for (const value of changePct) expect(Math.abs(value - 1)).toBeLessThan(0.5)
})

test('no row is a broken contract', () => {
  expect(() =>
    fitChange(
      axes,
      randomRows(1, 0, () => 0),
    ),
  ).toThrow('no row is left')
})
