import Papa from 'papaparse'
import { failure, success, type Outcome } from '../shared/index.ts'
import type { PullRow } from './model.ts'

/** Longer than any pull, bytes of text. */
const longestText = 4_000_000

type Role = keyof PullRow
const roles: readonly [Role, RegExp][] = [
  ['t', /^(time|t|zeit|temps|tiempo|seconds|elapsed|timestamp)\b/],
  ['torqueNm', /\b(torque|drehmoment|couple|par|coppia|moment)\b/],
  ['powerKw', /\b(power|leistung|puissance|potencia|potenza|output)\b/],
  ['throttlePct', /\b(throttle|tps|pedal|accelerator|gas|drosselklappe|papillon|acelerador)\b/],
  ['rpm', /\b(rpm|engine ?speed|drehzahl|revs|regime|giri)\b/],
  ['speedKmh', /\b(speed|velocity|geschwindigkeit|vitesse|velocidad|kmh|km\/h|mph)\b/],
]
const factors: Record<Role, readonly [RegExp, number][]> = {
  t: [
    [/^m(illi)?s(ec)?(onds)?$/, 0.001],
    [/^min(utes)?$/, 60],
  ],
  rpm: [[/^(krpm|1000 ?rpm|x ?1000)$/, 1000]],
  speedKmh: [
    [/^(mph|mi\/h)$/, 1.609344],
    [/^m\/s$/, 3.6],
  ],
  powerKw: [
    [/^(hp|bhp|whp)$/, 0.745699872],
    [/^(ps|cv|ch|pk)$/, 0.73549875],
    [/^w$/, 0.001],
  ],
  throttlePct: [[/^(0 ?(-|to|…) ?1)$/, 100]],
  torqueNm: [
    [/^(lb[- ·.]?ft|ft[- ·.]?lbs?)$/, 1.3558179],
    [/^(kgf?[- ·.]?m|mkg)$/, 9.80665],
  ],
}

/** A column's name without its unit, and the unit. */
function nameAndUnit(head: string): { name: string; unit: string } {
  const plain = head.trim().toLowerCase().replace(/[_]+/g, ' ')
  const [, name = plain, unit = ''] = /^(.*?)\s*[[({,]\s*([^\])}]*)[\])}]?\s*$/.exec(plain) ?? []
  const [, stem = '', last = ''] = /^(.*\S)\s+(\S+)$/.exec(plain) ?? []
  const isUnit = Object.values(factors).some((list) => list.some(([pattern]) => pattern.test(last)))
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
 * Rows of a pull out of a CSV of any layout: columns are told by their names (in a few languages), their units by what stands behind the
 * name (mph, hp, PS, lb-ft, ms); commas, semicolons, tabs; decimal points or commas. Without a time column lines are taken 0.1 s apart.
 * @returns refused where there is no engine speed
 */
export function readPullCsv(text: string): Outcome<PullRow[]> {
  const no = (message: string): Outcome<PullRow[]> => failure({ code: 'unreadable', path: 'csv', message })
  if (text.trim() === '') return no('Nothing is there to read.')
  if (text.length > longestText) return no('That is more than a pull: take the part with the pull in it.')
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true, delimiter: betweenCells(text) })
  const head = data.findIndex((line) => line.filter((cell) => /[a-zäöü]{1,}/i.test(cell)).length >= 2)
  const names = data[head]?.map(nameAndUnit)
  if (!names) return no('It has no line of column names: time, engine speed, and road speed, power or torque.')
  const columns = new Map<Role, { at: number; factor: number }>()
  names.forEach(({ name, unit }, at) => {
    const role = roles.find(
      ([of, pattern]) => !columns.has(of) && (pattern.test(name) || pattern.test(`${name} ${unit}`)),
    )?.[0]
    if (!role) return
    columns.set(role, { at, factor: factors[role].find(([pattern]) => pattern.test(unit))?.[1] ?? 1 })
  })
  if (!columns.has('rpm'))
    return no(`No column is the engine speed. It has: ${names.map(({ name }) => name).join(', ')}.`)
  const rows = data.slice(head + 1).flatMap((cells, i): PullRow[] => {
    const value = (role: Role) => {
      const column = columns.get(role)
      const figure = column ? figureOf(cells[column.at] ?? '') : NaN
      return column && Number.isFinite(figure) ? figure * column.factor : undefined
    }
    const rpm = value('rpm')
    if (rpm === undefined) return []
    const [speedKmh, powerKw, torqueNm] = [value('speedKmh'), value('powerKw'), value('torqueNm')]
    const throttlePct = value('throttlePct')
    return [
      {
        ...{ t: value('t') ?? i / 10, rpm },
        ...(speedKmh === undefined ? {} : { speedKmh }),
        ...(powerKw === undefined ? {} : { powerKw }),
        ...(torqueNm === undefined ? {} : { torqueNm }),
        ...(throttlePct === undefined ? {} : { throttlePct }),
      },
    ]
  })
  const begins = rows[0]?.t ?? 0
  return rows.length === 0
    ? no('Below its names no line is a figure.')
    : success(rows.map((row) => ({ ...row, t: row.t - begins })))
}
