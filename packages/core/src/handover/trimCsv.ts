import Papa from 'papaparse'
import { csvText, failure, success, type Outcome, type Problem } from '../shared/index.ts'

/** A trim table as CSV: loads in % across, rpm down, values in %. */
export function trimCsv(rpm: readonly number[], load: readonly number[], pct: readonly (readonly number[])[]): string {
  const rows = [
    ['rpm \\ throttle %', ...load.map(String)],
    ...rpm.map((value, r) => [String(value), ...pct[r].map(figure)]),
  ]
  return csvText(rows)
}

function figure(value: number): string {
  return String(Math.round(value * 1e6) / 1e6)
}

/**
 * Reads a table back; separators and decimal commas as spreadsheets write them.
 * @returns values `[rpmIndex][loadIndex]` for exactly these axes, or what is wrong with line and column
 */
export function readTrimCsv(
  text: string,
  rpm: readonly number[],
  load: readonly number[],
  boundsPct: readonly [number, number],
): Outcome<number[][]> {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const rows = parsed.data
  if (rows.length === 0) return failure({ code: 'file-empty', path: '', message: 'The file is empty.' })
  const problems: Problem[] = []
  const say = (line: number, column: number, code: string, message: string) => {
    problems.push({ code, path: '', message: `Line ${line}, column ${column}: ${message}`, line, column })
  }
  const number = (row: number, column: number): number => {
    const raw = (rows[row]?.[column] ?? '').trim()
    const value = raw === '' ? Number.NaN : Number(raw.replace(',', '.').replace('−', '-'))
    if (Number.isNaN(value))
      say(row + 1, column + 1, 'not-a-number', raw === '' ? 'a figure is missing.' : `"${raw}" is not a number.`)
    return value
  }
  checkAxis(
    load,
    rows[0].length - 1,
    (i) => number(0, i + 1),
    'throttle',
    (i, message) => say(1, i + 2, 'other-axis', message),
  )
  if (problems.length === 0)
    checkAxis(
      rpm,
      rows.length - 1,
      (i) => number(i + 1, 0),
      'rpm',
      (i, message) => say(i + 2, 1, 'other-axis', message),
    )
  if (problems.length > 0) return failure(...problems.slice(0, 10))
  const table = rpm.map((_, r) =>
    load.map((__, l) => {
      const value = number(r + 1, l + 1)
      if (value < boundsPct[0] || value > boundsPct[1])
        say(
          r + 2,
          l + 2,
          'out-of-bounds',
          `${value} % is outside what the module takes, ${boundsPct[0]} to ${boundsPct[1]} %.`,
        )
      return value
    }),
  )
  return problems.length > 0 ? failure(...problems.slice(0, 10)) : success(table)
}

function checkAxis(
  axis: readonly number[],
  found: number,
  valueAt: (index: number) => number,
  name: string,
  say: (index: number, message: string) => void,
): void {
  if (found !== axis.length) {
    say(0, `the file has ${found} points of ${name}, the module's table has ${axis.length}: ${axis.join(', ')}.`)
    return
  }
  axis.forEach((wanted, i) => {
    const value = valueAt(i)
    if (!Number.isNaN(value) && Math.abs(value - wanted) > 1e-6)
      say(i, `${name} ${value} stands where the module's table has ${wanted}.`)
  })
}
