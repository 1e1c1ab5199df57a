import Papa from 'papaparse'
import { csvText, failure, readCsvCell, success, type Outcome, type Problem } from '../shared/index.ts'
import { wireName } from './colours.ts'
import type { ColourLanguage } from './colourWords.ts'
import { wireAt } from './lookUp.ts'
import { machineIndex } from './machineIndex.ts'
import type { Machine, WireColour } from './model.ts'
import { readWireColour, type ColourOrder } from './readWireColour.ts'

/** Columns a pinout table may have. */
export const pinoutColumns = ['cavity', 'colour', 'signal', 'area'] as const
export type PinoutColumn = (typeof pinoutColumns)[number]

/** Which column of the pasted table is what; by index, from 0. */
export type PinoutMapping = Partial<Record<PinoutColumn, number>>

export interface PinoutTable {
  headings: string[] | null
  rows: string[][]
  /** Guessed from headings and contents. */
  mapping: PinoutMapping
}

export interface PinoutRow {
  line: number
  cavity: number
  colour?: WireColour
  signal: string
  areaMm2?: number
}

/** Takes apart a table pasted from a spreadsheet (tabs) or a CSV file, and guesses its columns. */
export function splitPinoutTable(text: string): PinoutTable {
  const trimmed = text.replaceAll(/\r/g, '').trim()
  const delimiter = trimmed.includes('\t') ? '\t' : undefined
  const { data } = Papa.parse<string[]>(trimmed, { skipEmptyLines: 'greedy', ...(delimiter ? { delimiter } : {}) })
  const rows = data.map((row) => row.map((cell) => readCsvCell(cell.trim())))
  const first = rows[0] ?? []
  const isHeading = first.length > 0 && !first.some((cell) => /^\d+$/.test(cell))
  const headings = isHeading ? first : null
  const body = isHeading ? rows.slice(1) : rows
  return { headings, rows: body, mapping: guess(headings, body) }
}

const headingWords: Record<PinoutColumn, RegExp> = {
  cavity: /cav|pin|nr|no\b|num|klemme|broche|polo/i,
  colour: /colou?r|farbe|couleur|colore|wire|iro/i,
  signal: /signal|function|circuit|name|desc|use|funktion|fonction/i,
  area: /mm|area|size|gauge|quer|section/i,
}

function guess(headings: string[] | null, rows: readonly string[][]): PinoutMapping {
  const mapping: PinoutMapping = {}
  const width = Math.max(0, ...rows.map((row) => row.length))
  const taken = new Set<number>()
  const take = (column: PinoutColumn, index: number) => {
    if (index < 0 || mapping[column] !== undefined || taken.has(index)) return
    mapping[column] = index
    taken.add(index)
  }
  for (const column of pinoutColumns)
    take(column, headings?.findIndex((heading, i) => !taken.has(i) && headingWords[column].test(heading)) ?? -1)
  const share = (index: number, test: (cell: string) => boolean) => {
    const cells = rows.map((row) => row[index] ?? '').filter((cell) => cell !== '')
    return cells.length === 0 ? 0 : cells.filter(test).length / cells.length
  }
  const best = (test: (cell: string) => boolean) => {
    const scores = Array.from({ length: width }, (_, i) => (taken.has(i) ? 0 : share(i, test)))
    const top = Math.max(0, ...scores)
    return top >= 0.6 ? scores.indexOf(top) : -1
  }
  take(
    'cavity',
    best((cell) => /^\d{1,3}$/.test(cell)),
  )
  take(
    'colour',
    best((cell) => readWireColour(cell).kind !== 'unread'),
  )
  take(
    'area',
    best((cell) => /^\d*[.,]\d+$/.test(cell)),
  )
  take(
    'signal',
    best((cell) => /[a-z]{2}/i.test(cell)),
  )
  return mapping
}

/** Rows as wires. Every line that cannot be read is named with what is wrong; nothing is dropped in silence. */
export function readPinoutRows(
  table: PinoutTable,
  mapping: PinoutMapping,
  order: ColourOrder = 'base first',
  language?: ColourLanguage,
): Outcome<PinoutRow[]> {
  const problems: Problem[] = []
  const at = mapping.cavity
  if (at === undefined)
    return failure({
      code: 'column-missing',
      path: 'mapping.cavity',
      message: 'Say which column holds the cavity number.',
    })
  const seen = new Map<number, number>()
  const rows = table.rows.flatMap((row, i): PinoutRow[] => {
    const line = i + (table.headings ? 2 : 1)
    const say = (column: PinoutColumn, message: string) =>
      problems.push({ code: 'unreadable', path: `${line}.${column}`, message: `Line ${line}: ${message}`, line })
    const cell = (column: PinoutColumn) => {
      const index = mapping[column]
      return index === undefined ? '' : (row[index] ?? '')
    }
    const cavity = Number(cell('cavity'))
    if (!Number.isInteger(cavity) || cavity < 1) {
      say('cavity', `"${cell('cavity')}" is no cavity number.`)
      return []
    }
    const before = seen.get(cavity)
    if (before !== undefined) {
      say('cavity', `cavity ${cavity} stands in line ${before} already.`)
      return []
    }
    seen.set(cavity, line)
    const colour = cell('colour') === '' ? null : readWireColour(cell('colour'), order, language)
    if (colour && colour.kind !== 'read') say('colour', colour.message)
    const area =
      cell('area') === ''
        ? undefined
        : Number(
            cell('area')
              .replace(',', '.')
              .replace(/\s*mm.*$/i, ''),
          )
    if (area !== undefined && !(area > 0)) say('area', `"${cell('area')}" is no cross-section in mm².`)
    return [
      {
        line,
        cavity,
        signal: cell('signal'),
        ...(colour?.kind === 'read' ? { colour: colour.colour } : {}),
        ...(area !== undefined && area > 0 ? { areaMm2: area } : {}),
      },
    ]
  })
  return problems.length > 0 ? failure(...problems) : success(rows)
}

/** A plug's cavities, or those of all plugs, as CSV that reads back in. */
export function pinoutCsv(machine: Machine, only?: string): string {
  const index = machineIndex(machine)
  const rows = machine.connectors
    .filter((connector) => only === undefined || connector.id === only)
    .flatMap((connector) =>
      connector.cavities.map(({ number, blank, spare }) => {
        const wire = wireAt(machine, connector.id, number)
        const net = wire && index.nets.get(wire.net)
        return [
          connector.name,
          number,
          wire ? wireName(wire.colour).replace(/^plain /, '') : '',
          net?.name ?? (blank ? 'blank' : spare ? `empty, read for the ${spare}` : 'empty'),
          wire?.areaMm2 ?? '',
          net?.signal ?? '',
          net?.id ?? '',
        ]
      }),
    )
  return csvText([['plug', 'cavity', 'colour', 'signal', 'area mm2', 'kind', 'circuit'], ...rows])
}
