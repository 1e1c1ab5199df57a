import { readColumns, success, timeColumn, type ColumnRole, type Outcome } from '../shared/index.ts'
import type { PullRow } from './model.ts'

const roles: readonly ColumnRole<keyof PullRow>[] = [
  timeColumn,
  {
    role: 'torqueNm',
    named: /\b(torque|drehmoment|couple|par|coppia|moment)\b/,
    units: [
      [/^(lb[- ·.]?ft|ft[- ·.]?lbs?)$/, 1.3558179],
      [/^(kgf?[- ·.]?m|mkg)$/, 9.80665],
    ],
  },
  {
    role: 'powerKw',
    named: /\b(power|leistung|puissance|potencia|potenza|output)\b/,
    units: [
      [/^(hp|bhp|whp)$/, 0.745699872],
      [/^(ps|cv|ch|pk)$/, 0.73549875],
      [/^w$/, 0.001],
    ],
  },
  {
    role: 'throttlePct',
    named: /\b(throttle|tps|pedal|accelerator|gas|drosselklappe|papillon|acelerador)\b/,
    units: [],
  },
  {
    role: 'rpm',
    named: /\b(rpm|engine ?speed|drehzahl|revs|regime|giri)\b/,
    units: [[/^(krpm|1000 ?rpm|x ?1000)$/, 1000]],
  },
  {
    role: 'speedKmh',
    named: /\b(speed|velocity|geschwindigkeit|vitesse|velocidad|kmh|km\/h|mph)\b/,
    units: [
      [/^(mph|mi\/h)$/, 1.609344],
      [/^m\/s$/, 3.6],
    ],
  },
]

/** What a column of a pull may be. */
export type PullColumn = keyof PullRow

/**
 * Rows of a pull out of a CSV of any layout: columns are told by their names (in a few languages), their units by what stands behind the
 * name (mph, hp, PS, lb-ft, ms); commas, semicolons, tabs; decimal points or commas. Without a time column lines are taken 0.1 s apart.
 * @param chosen columns by their heads, where their names tell nothing
 * @returns refused where there is no engine speed
 */
export function readPullCsv(text: string, chosen: Partial<Record<PullColumn, string>> = {}): Outcome<PullRow[]> {
  const read = readColumns(text, roles, { role: 'rpm', missing: 'No column is the engine speed.' }, chosen)
  if (!read.ok) return read
  const rows = read.value.map((row, i): PullRow => ({ ...row, t: row.t ?? i / 10, rpm: row.rpm ?? 0 }))
  const begins = rows[0]?.t ?? 0
  return success(rows.map((row) => ({ ...row, t: row.t - begins })))
}

const coastRoles = roles.filter(({ role }) => role === 't' || role === 'rpm' || role === 'speedKmh')

/** Rows of coasting down: time and road speed, engine speed where it is there. @returns refused where there is no road speed */
export function readCoastCsv(text: string): Outcome<{ t: number; speedKmh: number; rpm?: number }[]> {
  const read = readColumns(text, coastRoles, { role: 'speedKmh', missing: 'No column is the road speed.' })
  if (!read.ok) return read
  return success(
    read.value.map(({ t, speedKmh = 0, rpm }, i) => ({
      ...{ t: t ?? i / 10, speedKmh },
      ...(rpm === undefined ? {} : { rpm }),
    })),
  )
}
