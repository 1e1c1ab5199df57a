export interface Assignment {
  /** For every row the column it got. */
  columnOfRow: number[]
  total: number
}

/**
 * Cheapest way to give every row a column of its own.
 * @param cost rows × columns, finite numbers, no more rows than columns; use a large number for "not allowed"
 * @throws when there are more rows than columns or a cost is not finite
 * Shortest augmenting paths with potentials, O(rows² · columns) (Kuhn 1955; Jonker and Volgenant 1987).
 */
export function solveAssignment(cost: readonly (readonly number[])[]): Assignment {
  const rows = cost.length
  const columns = rows === 0 ? 0 : cost[0].length
  if (rows > columns) throw new Error(`shared: ${rows} rows cannot each get one of ${columns} columns`)
  if (!cost.every((row) => row.length === columns && row.every(Number.isFinite)))
    throw new Error('shared: an assignment needs a full rectangle of finite costs')

  const rowPotential = new Float64Array(rows + 1)
  const columnPotential = new Float64Array(columns + 1)
  const rowOfColumn = new Int32Array(columns + 1)
  const cameFrom = new Int32Array(columns + 1)
  const slack = new Float64Array(columns + 1)
  const visited = new Uint8Array(columns + 1)

  for (let row = 1; row <= rows; row++) {
    rowOfColumn[0] = row
    let column = 0
    slack.fill(Infinity)
    visited.fill(0)
    do {
      visited[column] = 1
      const current = rowOfColumn[column]
      const line = cost[current - 1]
      const potential = rowPotential[current]
      let delta = Infinity
      let next = 0
      for (let j = 1; j <= columns; j++) {
        if (visited[j]) continue
        const reduced = line[j - 1] - potential - columnPotential[j]
        if (reduced < slack[j]) {
          slack[j] = reduced
          cameFrom[j] = column
        }
        if (slack[j] < delta) {
          delta = slack[j]
          next = j
        }
      }
      for (let j = 0; j <= columns; j++) {
        if (visited[j]) {
          rowPotential[rowOfColumn[j]] += delta
          columnPotential[j] -= delta
        } else slack[j] -= delta
      }
      column = next
    } while (rowOfColumn[column] !== 0)
    while (column !== 0) {
      const previous = cameFrom[column]
      rowOfColumn[column] = rowOfColumn[previous]
      column = previous
    }
  }

  const columnOfRow = new Array<number>(rows).fill(-1)
  for (let j = 1; j <= columns; j++) if (rowOfColumn[j] > 0) columnOfRow[rowOfColumn[j] - 1] = j - 1
  const total = columnOfRow.reduce((sum, column, row) => sum + cost[row][column], 0)
  return { columnOfRow, total }
}
