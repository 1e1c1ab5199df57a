import Papa from 'papaparse'
import { csvText, readCsvCell, type Problem } from '../shared/index.ts'
import { readCell, type Cell } from './cells.ts'
import { put, valueAt, type Item } from './itemFields.ts'

/** One column: its name, the field it holds (names from the item inwards) and how it stands there. */
export interface Column {
  name: string
  field: readonly string[]
  cell: Cell
  /** Every item has one. */
  needed: boolean
  /** An empty cell stands for an empty list. */
  list: boolean
}

/** A column. @param field by dots; the name unless said */
export function column(
  name: string,
  cell: Cell,
  field = name,
  more: { needed?: boolean; list?: boolean } = {},
): Column {
  return { name, field: field.split('.'), cell, needed: more.needed ?? false, list: more.list ?? false }
}

/** A column that every item has. */
export function needed(name: string, cell: Cell, field = name): Column {
  return column(name, cell, field, { needed: true })
}

/** A column of a list that every item has; most are empty. */
export function listed(name: string, cell: Cell, field = name): Column {
  return column(name, cell, field, { list: true })
}

/** A list of a document in a CSV file. */
export interface Table {
  file: string
  columns: readonly Column[]
}

/** The list as CSV: columns that nothing stands in are left out, but for those every item has. */
export function writeTable({ columns }: Table, items: readonly unknown[]): string {
  const cells = columns.map((column) =>
    items.map((item) => {
      const value = valueAt(item, column.field)
      if (value === undefined || (column.list && Array.isArray(value) && value.length === 0)) return ''
      return column.cell.write(value)
    }),
  )
  const shown = columns.flatMap((column, i) => (column.needed || cells[i].some((text) => text !== '') ? [i] : []))
  return csvText([shown.map((i) => columns[i].name), ...items.map((_, row) => shown.map((i) => cells[i][row]))])
}

/** A table that was read: its items, what is wrong, and where a field of an item stands. */
export interface TableReading {
  items: Item[]
  problems: Problem[]
  /** @param row of the items; @param field from the item inwards */
  placeOf: (row: number, field: readonly string[]) => { line: number; column?: number }
}

/** What people's spreadsheets put between cells. */
function delimiterOf(header: string): string {
  const count = (sign: string) => header.split(sign).length
  return [',', ';', '\t'].reduce((best, sign) => (count(sign) > count(best) ? sign : best))
}

/** Reads a table; columns in any order, empty lines left out. Everything that is wrong is said at once. */
export function readTable({ file, columns }: Table, text: string): TableReading {
  const source = text.replace(/^\uFEFF/, '')
  const head = source.slice(0, source.search(/[\r\n]|$/))
  const newline = source.startsWith('\r\n', head.length) ? '\r\n' : '\n'
  const parsed = Papa.parse<string[]>(source, { delimiter: delimiterOf(head), newline })
  const problems: Problem[] = []
  const say = (code: string, line: number, at: number | undefined, message: string) =>
    problems.push({ code, path: file, file, line, ...(at === undefined ? {} : { column: at }), message })
  const [header = [], ...rows] = parsed.data
  const known = header.map((name) => columns.find((column) => column.name === name.trim().toLowerCase()))
  for (const [i, name] of header.entries()) {
    if (!known[i] && name.trim() !== '')
      say(
        'unknown-column',
        1,
        i + 1,
        `"${name.trim()}" is no column of ${file}. It has: ${columns.map((c) => c.name).join(', ')}.`,
      )
    if (known[i] && known.indexOf(known[i]) !== i)
      say('column-twice', 1, i + 1, `The column "${name.trim()}" stands twice.`)
  }
  for (const { name } of columns.filter((column) => column.needed && !known.includes(column)))
    say('column-missing', 1, undefined, `The column "${name}" is missing.`)
  for (const { row = 0, message, code } of parsed.errors)
    if (code === 'MissingQuotes' || code === 'InvalidQuotes')
      say('quotes', linesBefore(parsed.data, row), undefined, `${message}. A quote within a cell is written twice.`)
  const lines: number[] = []
  const items: Item[] = []
  let line = 1 + heightOf(header)
  for (const row of rows) {
    const [at, height] = [line, heightOf(row)]
    line += height
    if (row.every((cell) => cell.trim() === '')) continue
    if (row.length > header.length && row.slice(header.length).some((cell) => cell.trim() !== ''))
      say(
        'too-many-cells',
        at,
        header.length + 1,
        `There are ${row.length} cells for ${header.length} columns. A comma within a cell needs quotes around it.`,
      )
    const item: Item = {}
    for (const [i, column] of known.entries()) {
      if (!column) continue
      const written = readCsvCell(row[i] ?? '')
      if (written === '') {
        if (column.list) put(item, column.field, [])
        else if (column.needed) say('cell-empty', at, i + 1, `The ${column.name} is missing.`)
        continue
      }
      const reading = readCell(column.cell, written)
      if ('says' in reading) say('cell-unread', at, i + 1, reading.says)
      else put(item, column.field, reading.value)
    }
    for (const column of columns) if (column.list && !known.includes(column)) put(item, column.field, [])
    lines.push(at)
    items.push(item)
  }
  return {
    items,
    problems,
    placeOf: (row, field) => {
      const at = known.findIndex((column) => column && isPrefix(column.field, field))
      return { line: lines[row] ?? 1, ...(at < 0 ? {} : { column: at + 1 }) }
    },
  }
}

/** Lines a row takes: cells may hold line breaks. */
function heightOf(row: readonly string[]): number {
  return 1 + row.reduce((sum, cell) => sum + cell.split('\n').length - 1, 0)
}

function linesBefore(rows: readonly (readonly string[])[], row: number): number {
  return rows.slice(0, row).reduce((sum, one) => sum + heightOf(one), 1)
}

function isPrefix(part: readonly string[], of: readonly string[]): boolean {
  return part.length <= of.length ? part.every((name, i) => name === of[i]) : of.every((name, i) => name === part[i])
}
