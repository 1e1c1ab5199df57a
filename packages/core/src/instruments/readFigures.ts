import Papa from 'papaparse'
import type { KitFigure } from '../dossiers/index.ts'
import { failure, readFigure, success, type Outcome } from '../shared/index.ts'

/** One row of a log, or one live line: seconds where it says them, and values by column, in the columns' own units. */
export interface FigureRow {
  t?: number
  values: Map<string, number>
}

/** Longer than any log of readings, bytes of text. */
const longestText = 4_000_000
/** As many rows as are looked at: the last ones. */
const mostRows = 20_000

const plain = (name: string) => name.trim().toLowerCase().replace(/\s+/g, ' ')
/** A column's name without the unit some instruments put behind it: "RPM [1/min]", "ECT (°C)". */
const bare = (name: string) => plain(name.replace(/[[(][^\])]*[\])]\s*$/, ''))
const timeColumns = new Set(['t', 'time', 'seconds', 's', 'time s', 'timestamp'])

/**
 * The rows an instrument wrote or sent: CSV with a head (commas, semicolons, tabs; decimal points or commas), or one JSON object a line.
 * @param figures how its columns are named
 * @returns rows in their order, of known columns only; a problem where nothing is read
 */
export function readFigures(figures: readonly KitFigure[], text: string): Outcome<FigureRow[]> {
  const no = (message: string): Outcome<FigureRow[]> => failure({ code: 'unreadable', path: 'figures', message })
  if (figures.length === 0) return no('This instrument’s dossier does not say how its columns are named.')
  if (text.trim() === '') return no('Nothing is there to read.')
  if (text.length > longestText) return no('That is more than a log of readings holds: take the last minutes of it.')
  const rows = /^\s*\{/.test(text) ? jsonLines(text) : csvRows(text)
  if (rows === null) return no('A line of it is no JSON.')
  const known = new Map(figures.flatMap(({ column }) => [[plain(column), column] as const]))
  const found = rows.slice(-mostRows).flatMap((row): FigureRow[] => {
    const values = new Map<string, number>()
    let t: number | undefined
    for (const [name, value] of row) {
      const column = known.get(plain(name)) ?? known.get(bare(name))
      const number = typeof value === 'number' ? value : readFigure(String(value))
      if (number === null || !Number.isFinite(number)) continue
      if (column !== undefined) values.set(column, number)
      else if (timeColumns.has(bare(name))) t = number
    }
    return values.size > 0 ? [{ values, ...(t === undefined ? {} : { t }) }] : []
  })
  if (found.length > 0) return success(found)
  const names = [...new Set(rows.flatMap((row) => row.map(([name]) => name)))].slice(0, 12)
  return no(
    `None of its columns is known here: it has ${names.join(', ') || 'none'}; the dossier knows ${figures.map(({ column }) => column).join(', ')}.`,
  )
}

type Row = [name: string, value: unknown][]

/** Null where a whole line is no JSON; a last line that broke off is left out. */
function jsonLines(text: string): Row[] | null {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '')
  const rows: Row[] = []
  for (const [i, line] of lines.entries()) {
    const parsed = parsedOr(line)
    if (parsed === undefined) {
      if (i === lines.length - 1 && i > 0) break
      return null
    }
    rows.push(Object.entries(Object(parsed)))
  }
  return rows
}

function parsedOr(line: string): unknown {
  try {
    const parsed: unknown = JSON.parse(line)
    return parsed
  } catch {
    return undefined
  }
}

function csvRows(text: string): Row[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [head = [], ...rows] = data
  return rows.map((cells) => cells.slice(0, head.length).map((cell, i) => [head[i], cell]))
}
