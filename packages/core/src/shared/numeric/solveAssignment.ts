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
  if (cost.some((row) => row.length !== columns || row.some((value) => !Number.isFinite(value))))
    throw new Error('shared: an assignment needs a full rectangle of finite costs')

  const rowPotential = new Array<number>(rows + 1).fill(0)
  const columnPotential = new Array<number>(columns + 1).fill(0)
  const rowOfColumn = new Array<number>(columns + 1).fill(0)
  const cameFrom = new Array<number>(columns + 1).fill(0)

  for (let row = 1; row <= rows; row++) {
    rowOfColumn[0] = row
    let column = 0
    const slack = new Array<number>(columns + 1).fill(Infinity)
    const visited = new Array<boolean>(columns + 1).fill(false)
    do {
      visited[column] = true
      const current = rowOfColumn[column]
      let delta = Infinity
      let next = 0
      for (let j = 1; j <= columns; j++) {
        if (visited[j]) continue
        const reduced = cost[current - 1][j - 1] - rowPotential[current] - columnPotential[j]
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
