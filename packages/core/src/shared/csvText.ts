import Papa from 'papaparse'

/** What a spreadsheet would take for a formula; a plain number with its sign is none. */
const formula = /^(?![+-]?(\d+([.,]\d*)?|[.,]\d+)([eE][+-]?\d+)?$)[=+\-@\t\r]/

/**
 * Rows as CSV (RFC 4180; lines end by LF unless said). A cell that a spreadsheet would run as a formula is led in by an apostrophe.
 * `readCsvCell` takes it off again.
 */
export function csvText(rows: readonly (readonly (string | number)[])[], newline: '\n' | '\r\n' = '\n'): string {
  return `${Papa.unparse(
    rows.map((row) => row.map((cell) => (typeof cell === 'string' && isRun(cell) ? `'${cell}` : cell))),
    { newline },
  )}${newline}`
}

/** Whether a cell is a formula, or looks like one that was led in. */
function isRun(cell: string): boolean {
  return formula.test(cell.replace(/^'+/, ''))
}

/** A cell as it was before `csvText` led it in. */
export function readCsvCell(cell: string): string {
  return cell.startsWith("'") && isRun(cell) ? cell.slice(1) : cell
}
