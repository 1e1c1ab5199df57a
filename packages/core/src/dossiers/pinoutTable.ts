import Papa from 'papaparse'
import { awgAreaMm2, csvText, readCsvCell, type Problem } from '../shared/index.ts'
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
  /** As the sheet calls it, where that is no plain number (`A4`). */
  label?: string
  colour?: WireColour
  signal: string
  areaMm2?: number
}

/** A cavity as sheets write it: a number, or a row's letter with a number. */
const cavityText = /^(?:[A-Z]-?)?\d{1,3}$/i
/** What stands for an empty cavity. */
const nothing = /^(?:[-–—.]+|n\s*[/.]?\s*c\.?|empty|blank|frei|leer|vide|not connected|not used)$/i

/** Takes apart a table pasted from a spreadsheet (tabs) or a CSV file, and guesses its columns. */
export function splitPinoutTable(text: string): PinoutTable {
  const trimmed = text.replaceAll(/\r/g, '').trim()
  const delimiter = trimmed.includes('\t') ? '\t' : undefined
  const { data } = Papa.parse<string[]>(trimmed, { skipEmptyLines: 'greedy', ...(delimiter ? { delimiter } : {}) })
  const rows = data.map((row) => row.map((cell) => readCsvCell(cell.trim())))
  const first = rows[0] ?? []
  const isHeading = first.length > 0 && !first.some((cell) => cavityText.test(cell))
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
    best((cell) => cavityText.test(cell)),
  )
  take(
    'colour',
    best((cell) => readWireColour(cell).kind !== 'unread'),
  )
  take(
    'area',
    best((cell) => /^\d*[.,]\d+$/.test(cell) || gaugeText.test(cell)),
  )
  take(
    'signal',
    best((cell) => /[a-z]{2}/i.test(cell)),
  )
  return mapping
}

/** A gauge: `AWG 20`, `20 AWG`, `#18`. */
const gaugeText = /^(?:#|awg\s*)(\d{1,2})$|^(\d{1,2})\s*(?:awg|ga\.?|gauge)$/i

/** @returns mm², or null where it is none */
export function readArea(text: string): number | null {
  const gauge = gaugeText.exec(text)
  if (gauge) return Math.round(awgAreaMm2(Number(gauge[1] ?? gauge[2])) * 1000) / 1000
  const area = Number(text.replace(',', '.').replace(/\s*mm.*$/i, ''))
  return area > 0 ? area : null
}

export interface PinoutReading {
  rows: PinoutRow[]
  /** Lines that are left out, each with what is wrong with it. */
  problems: Problem[]
}

/** Rows as wires. A line that cannot be read is named with what is wrong and left out; the others are read. */
export function readPinoutRows(
  table: PinoutTable,
  mapping: PinoutMapping,
  order: ColourOrder = 'base first',
  language?: ColourLanguage,
): PinoutReading {
  const problems: Problem[] = []
  const at = mapping.cavity
  if (at === undefined)
    return {
      rows: [],
      problems: [
        { code: 'column-missing', path: 'mapping.cavity', message: 'Say which column holds the cavity number.' },
      ],
    }
  const numbers = cavityNumbers(table.rows.map((row) => row[at] ?? ''))
  const seen = new Map<number, number>()
  const rows = table.rows.flatMap((row, i): PinoutRow[] => {
    const line = i + (table.headings ? 2 : 1)
    const say = (column: PinoutColumn, message: string) =>
      problems.push({ code: 'unreadable', path: `${line}.${column}`, message: `Line ${line}: ${message}`, line })
    const cell = (column: PinoutColumn) => {
      const index = mapping[column]
      const text = index === undefined ? '' : (row[index] ?? '')
      return column !== 'cavity' && nothing.test(text) ? '' : text
    }
    const name = cell('cavity')
    const cavity = numbers.get(name)
    if (cavity === undefined) {
      say('cavity', `"${name}" is no cavity number.`)
      return []
    }
    const before = seen.get(cavity)
    if (before !== undefined) {
      say('cavity', `cavity ${name} stands in line ${before} already.`)
      return []
    }
    seen.set(cavity, line)
    const colour = cell('colour') === '' ? null : readWireColour(cell('colour'), order, language)
    if (colour && colour.kind !== 'read') {
      say('colour', colour.message)
      return []
    }
    const area = cell('area') === '' ? undefined : readArea(cell('area'))
    if (area === null) {
      say('area', `"${cell('area')}" is no cross-section in mm² and no AWG.`)
      return []
    }
    return [
      {
        line,
        cavity,
        ...(/^\d+$/.test(name) ? {} : { label: name }),
        signal: cell('signal'),
        ...(colour ? { colour: colour.colour } : {}),
        ...(area === undefined ? {} : { areaMm2: area }),
      },
    ]
  })
  return { rows, problems }
}

/** Cavities by name: numbers as they are; lettered rows one after the other, each as long as the longest. */
function cavityNumbers(names: readonly string[]): Map<string, number> {
  const read = names.flatMap((name) => {
    const [, letter, digits] = /^([A-Z])?-?(\d{1,3})$/i.exec(name) ?? []
    return digits && Number(digits) > 0 ? [{ name, letter: letter?.toUpperCase() ?? '', digits: Number(digits) }] : []
  })
  const letters = [...new Set(read.map((item) => item.letter))].sort()
  const plain = letters.length === 1 && letters[0] === ''
  const width = Math.max(0, ...read.map((item) => item.digits))
  return new Map(
    read.map(({ name, letter, digits }) => [name, plain ? digits : letters.indexOf(letter) * width + digits]),
  )
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
