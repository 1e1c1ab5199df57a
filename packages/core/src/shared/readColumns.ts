import Papa from 'papaparse'
import { failure, success, type Outcome } from './result.ts'

/** A unit as it may stand behind a column's name, and what its figures are multiplied by (and then shifted by). */
export type UnitFactor = readonly [pattern: RegExp, factor: number, offset?: number]

/** What columns are looked for: by their names, in the order in which they are told, with units beside the plain one. */
export interface ColumnRole<Role extends string> {
  role: Role
  named: RegExp
  units: readonly UnitFactor[]
}

/** The time of a line, s; the same in every log. */
export const timeColumn: ColumnRole<'t'> = {
  role: 't',
  named: /^(time|t|zeit|temps|tiempo|seconds|elapsed|timestamp)\b/,
  units: [
    [/^m(illi)?s(ec)?(onds)?$/, 0.001],
    [/^min(utes)?$/, 60],
  ],
}

/** Longer than any log that is pasted, bytes of text. */
const longestText = 4_000_000

/** A column's name without its unit, and the unit. */
function nameAndUnit(head: string, units: readonly UnitFactor[]): { name: string; unit: string } {
  const plain = head.trim().toLowerCase().replace(/[_]+/g, ' ')
  const [, name = plain, unit = ''] = /^(.*?)\s*[[({,]\s*([^\])}]*)[\])}]?\s*$/.exec(plain) ?? []
  const [, stem = '', last = ''] = /^(.*\S)\s+(\S+)$/.exec(plain) ?? []
  const isUnit = units.some(([pattern]) => pattern.test(last))
  return unit === '' && isUnit ? { name: stem, unit: last } : { name: name.trim(), unit: unit.trim() }
}

/** A figure as machines write it: point or comma, any number of digits, an exponent or none; NaN where it is none. */
function figureOf(text: string): number {
  const plain = text.trim().replace(/[−–]/g, '-').replace(',', '.')
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}

/** What stands between cells: the one of them that most lines have, the rarer ones first. */
function betweenCells(text: string): string {
  const lines = text.split(/\r?\n/, 50)
  return ['\t', ';', ','].find((mark) => lines.filter((line) => line.includes(mark)).length * 2 > lines.length) ?? ','
}

/**
 * Lines of a CSV of any layout, by what its columns are named: commas, semicolons, tabs; decimal points or commas; units behind names.
 * @param chosen columns by their heads as they stand there, where their names tell nothing
 * @param need a role without which a line says nothing
 * @returns lines that have that role's figure, and the names it found; refused where there is nothing to read
 */
export function readColumns<Role extends string>(
  text: string,
  roles: readonly ColumnRole<Role>[],
  need: { role: Role; missing: string },
  chosen: Partial<Record<Role, string>> = {},
): Outcome<Partial<Record<Role, number>>[]> {
  const no = (message: string) => failure<Partial<Record<Role, number>>[]>({ code: 'unreadable', path: 'csv', message })
  if (text.trim() === '') return no('Nothing is there to read.')
  if (text.length > longestText)
    return no('That is more than can be read at once: take the part with what is meant in it.')
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true, delimiter: betweenCells(text) })
  const headAt = data.findIndex((line) => line.filter((cell) => /[a-zäöü]{1,}/i.test(cell)).length >= 2)
  const units = roles.flatMap((one) => one.units)
  const names = data[headAt]?.map((cell) => nameAndUnit(cell, units))
  if (!names) return no('It has no line of column names.')
  const columns = new Map<Role, { at: number; factor: number; offset: number }>()
  names.forEach(({ name, unit }, at) => {
    const head = (data[headAt]?.[at] ?? '').trim()
    const picked = roles.find(({ role }) => chosen[role] === head)
    const found =
      picked ??
      roles.find(
        ({ role, named }) =>
          !columns.has(role) && chosen[role] === undefined && (named.test(name) || named.test(`${name} ${unit}`)),
      )
    if (!found) return
    const [, factor = 1, offset = 0] = found.units.find(([pattern]) => pattern.test(unit)) ?? []
    columns.set(found.role, { at, factor, offset })
  })
  if (!columns.has(need.role)) return no(`${need.missing} It has: ${names.map(({ name }) => name).join(', ')}.`)
  const rows = data.slice(headAt + 1).flatMap((cells) => {
    const row: Partial<Record<Role, number>> = {}
    for (const [role, { at, factor, offset }] of columns) {
      const figure = figureOf(cells[at] ?? '')
      if (Number.isFinite(figure)) row[role] = figure * factor + offset
    }
    return row[need.role] === undefined ? [] : [row]
  })
  return rows.length === 0 ? no('Below its names no line is a figure.') : success(rows)
}

/** The heads of a CSV's columns as they stand there; none where it has no line of names. */
export function columnHeads(text: string): string[] {
  if (text.trim() === '' || text.length > longestText) return []
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: true,
    delimiter: betweenCells(text),
    preview: 40,
  })
  return (data.find((line) => line.filter((cell) => /[a-zäöü]{1,}/i.test(cell)).length >= 2) ?? []).map((cell) =>
    cell.trim(),
  )
}
