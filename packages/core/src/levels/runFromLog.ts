import { failure, readColumns, success, timeColumn, type ColumnRole, type Outcome } from '../shared/index.ts'
import type { LevelLimit } from './ladder.ts'

type Quantity = 't' | 'exhaust' | 'coolant' | 'rail' | 'boost'
const roles: readonly ColumnRole<Quantity>[] = [
  timeColumn,
  { role: 'exhaust', named: /\b(egt|exhaust|abgas|tit|pre ?turbo)/, units: [[/^°?f$/, 5 / 9, -160 / 9]] },
  { role: 'coolant', named: /\b(coolant|ect|water temp|kühl)/, units: [[/^°?f$/, 5 / 9, -160 / 9]] },
  {
    role: 'rail',
    named: /\b(rail|fuel press)/,
    units: [
      [/^bar$/, 0.1],
      [/^psi$/, 0.006894757],
      [/^kpa$/, 0.001],
    ],
  },
  {
    role: 'boost',
    named: /\b(boost|map|manifold|ladedruck)/,
    units: [
      [/^bar$/, 100],
      [/^psi$/, 6.894757],
      [/^hpa$|^mbar$/, 0.1],
      [/^mpa$/, 1000],
    ],
  },
]

/** Steady: the exhaust rises by less, K/s. */
export const steadyKs = 1
/** Over so long a rise is judged, s. */
const overS = 10

export interface RunOfLog {
  readings: Record<string, { value: number; seconds?: number; at?: string }>
  /** The steady part, s. */
  fromS: number
  toS: number
}

/**
 * The readings of a loaded run out of a log: its longest steady part, where the exhaust rises by less than 1 K/s, with the highest each limit's
 * quantity came to in it and how long it lasted.
 * @returns refused where nothing in it is steady, or the exhaust is not there
 */
export function runFromLog(csv: string, limits: readonly LevelLimit[]): Outcome<RunOfLog> {
  const read = readColumns(csv, roles, { role: 'exhaust', missing: 'No column is the exhaust.' })
  if (!read.ok) return read
  const rows = read.value.map((row, i) => ({ ...row, t: row.t ?? i }))
  const no = (message: string) => failure<RunOfLog>({ code: 'no-run', path: 'csv', message })
  if (rows.some(({ t }, i) => i > 0 && t < (rows[i - 1]?.t ?? 0))) return no('Time runs backwards in it.')
  let best = { from: 0, to: -1, seconds: 0 }
  let from = 0
  rows.forEach(({ t, exhaust = 0 }, i) => {
    const earlier = rows.findLast((row) => row.t <= t - overS) ?? rows[0]
    const rise = earlier && t > earlier.t ? (exhaust - (earlier.exhaust ?? exhaust)) / (t - earlier.t) : 0
    if (Math.abs(rise) >= steadyKs) from = i + 1
    const seconds = t - (rows[from]?.t ?? t)
    if (seconds > best.seconds) best = { from, to: i, seconds }
  })
  const steady = rows.slice(best.from, best.to + 1)
  if (steady.length < 2) return no(`Nothing in it is steady: the exhaust moves by ${steadyKs} K/s or more all along.`)
  const readings: RunOfLog['readings'] = {}
  for (const { quantity, forSeconds, at } of limits) {
    const list = steady.flatMap((row) => (isQuantity(quantity) ? (row[quantity] ?? []) : []))
    if (list.length === 0) continue
    const value = Math.round(10 * Math.max(...list)) / 10
    readings[quantity] = {
      value,
      ...(forSeconds === undefined ? {} : { seconds: Math.round(best.seconds) }),
      ...(at === undefined ? {} : { at }),
    }
  }
  return success({ readings, fromS: steady[0]?.t ?? 0, toS: steady.at(-1)?.t ?? 0 })
}

const isQuantity = (name: string): name is Quantity => roles.some(({ role }) => role === name)

/** A probe behind the turbine reads so much lower, K: as little, and as much. */
export const behindTurbineK = { least: 100, most: 200 } as const

/**
 * An exhaust that was read behind the turbine, as it may have been before it, °C. Judged is the hottest it may have been: what passes so,
 * passes for sure.
 */
export function beforeTurbine(behindC: number): { likelyC: number; seC: number; hottestC: number } {
  const { least, most } = behindTurbineK
  return { likelyC: behindC + (least + most) / 2, seC: (most - least) / 4, hottestC: behindC + most }
}
