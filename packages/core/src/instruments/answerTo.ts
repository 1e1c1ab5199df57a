import type { KitFigure } from '../dossiers/index.ts'
import { inUnit } from './inUnit.ts'
import type { FigureRow } from './readFigures.ts'

/** A reading as it is asked for. */
export interface Asked {
  quantity: string
  unit: string
}

/** What an instrument answers to a reading: the middle of its last rows, in the reading's unit. */
export interface FigureAnswer {
  column: string
  value: number
  /** Least and greatest of the rows it was taken of. */
  low: number
  high: number
  rows: number
}

/** Seconds a reading is taken over, and rows where an instrument says no time. */
const windowS = 2
const windowRows = 10

const plain = (words: string) => words.trim().toLowerCase().replace(/\s+/g, ' ')

/** The column that answers a quantity, as the dossier says it. */
export function figureFor(figures: readonly KitFigure[], { quantity, unit }: Asked): KitFigure | undefined {
  const wanted = plain(quantity)
  return figures.find(
    (figure) => figure.answers.some((words) => plain(words) === wanted) && inUnit(1, figure.unit, unit) !== null,
  )
}

/**
 * The figure for a reading, of the last two seconds (or ten rows) of a log: its median, so that one wild row changes nothing.
 * @returns null where no column answers it, or no row has it
 */
export function answerTo(figures: readonly KitFigure[], rows: readonly FigureRow[], asked: Asked): FigureAnswer | null {
  const figure = figureFor(figures, asked)
  const last = rows.at(-1)
  if (!figure || !last) return null
  const { column, unit, factor = 1, offset = 0 } = figure
  const window =
    last.t === undefined
      ? rows.slice(-windowRows)
      : rows.filter(({ t }) => t !== undefined && t <= (last.t ?? 0) && t >= (last.t ?? 0) - windowS)
  const values = window
    .flatMap((row) => {
      const raw = row.values.get(column)
      const value = raw === undefined ? null : inUnit(raw * factor + offset, unit, asked.unit)
      return value === null ? [] : [value]
    })
    .sort((a, b) => a - b)
  if (values.length === 0) return null
  const half = values.length >> 1
  const value = values.length % 2 === 1 ? values[half] : (values[half - 1] + values[half]) / 2
  return { column, value, low: values[0], high: values[values.length - 1], rows: values.length }
}
