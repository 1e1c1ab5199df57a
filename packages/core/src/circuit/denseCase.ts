import type { Network } from './solveNodal.ts'

/** Voltages against one node by Gauss elimination with pivoting on the whole matrix; every node is joined to it. Slow and plain. */
export function denseVoltages(network: Network, reference: number): number[] {
  const n = network.nodes
  const rows = Array.from({ length: n }, () => new Array<number>(n + 1).fill(0))
  for (const { a, b, siemens } of network.conductances) {
    if (a === b) continue
    rows[a][a] += siemens
    rows[b][b] += siemens
    rows[a][b] -= siemens
    rows[b][a] -= siemens
  }
  for (const { node, amps } of network.currents) rows[node][n] += amps
  rows[reference] = rows[reference].map((_, i) => (i === reference ? 1 : 0))
  for (let column = 0; column < n; column++) {
    let pivot = column
    for (let row = column; row < n; row++) if (Math.abs(rows[row][column]) > Math.abs(rows[pivot][column])) pivot = row
    ;[rows[column], rows[pivot]] = [rows[pivot], rows[column]]
    for (let row = column + 1; row < n; row++) {
      const factor = rows[row][column] / rows[column][column]
      if (factor !== 0) for (let i = column; i <= n; i++) rows[row][i] -= factor * rows[column][i]
    }
  }
  const volts = new Array<number>(n).fill(0)
  for (let row = n - 1; row >= 0; row--) {
    let sum = rows[row][n]
    for (let i = row + 1; i < n; i++) sum -= rows[row][i] * volts[i]
    volts[row] = sum / rows[row][row]
  }
  return volts
}
