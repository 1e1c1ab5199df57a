import { failure, success, type Outcome } from '../shared/index.ts'
import type { PullRow } from './model.ts'
import { onePull } from './onePull.ts'

/** A pull that was found in a longer log. */
export interface FoundPull {
  fromS: number
  toS: number
  rows: PullRow[]
}

/** From here on the throttle counts as full, %. */
const full = 92
/** A log whose throttle never gets there may name its own full; below this it was never opened. */
const leastTop = 60
/** So long may the throttle read less within a pull, s. */
const gap = 0.35
const fewest = 8
const leastSeconds = 1.5

/**
 * The pulls within a ride's log: throttle full, one gear, engine or road speed rising. Several gears pulled one after another are several pulls.
 * @returns in the order they were driven; refused where nobody can tell, with what is missing
 */
export function findPulls(rows: readonly PullRow[]): Outcome<FoundPull[]> {
  const no = (message: string): Outcome<FoundPull[]> => failure({ code: 'no-pull', path: 'rows', message })
  const known = rows.filter(({ throttlePct }) => throttlePct !== undefined)
  if (known.length < rows.length / 2)
    return no('The throttle is not in this log: a pull is where it is full. Cut the pull out, or name the column.')
  const top = known.reduce((most, { throttlePct = 0 }) => Math.max(most, throttlePct), 0)
  if (top <= 1.5 && top > 0.9) return no('The throttle runs from 0 to 1: in per cent, please.')
  if (top < leastTop) return no(`The throttle is at most ${Math.round(top)} %: nowhere in it is a pull.`)
  const from = top >= full ? full : 0.96 * top
  const found = stretches(rows, from).flatMap((stretch) => pullsIn(stretch))
  return found.length === 0
    ? no(`The throttle is full, but the engine speed rises nowhere for ${leastSeconds} s in one gear.`)
    : success(found)
}

/** Pieces with the throttle open from so much on, over short gaps. */
function stretches(rows: readonly PullRow[], from: number): PullRow[][] {
  const pieces: PullRow[][] = []
  let open: PullRow[] = []
  let lastFull = -Infinity
  for (const row of rows) {
    const isFull = (row.throttlePct ?? 0) >= from
    if (open.length > 0 && row.t - lastFull > gap) {
      pieces.push(open.filter(({ t }) => t <= lastFull))
      open = []
    }
    if (isFull) lastFull = row.t
    if (isFull || open.length > 0) open.push(row)
  }
  if (open.length > 0) pieces.push(open.filter(({ t }) => t <= lastFull))
  return pieces
}

/** The longest pull of a piece, and those before and after it. */
function pullsIn(rows: readonly PullRow[]): FoundPull[] {
  if (rows.length < fewest) return []
  const timed = rows.map((row) => (row.speedKmh === undefined ? row : { ...row, kmh: row.speedKmh }))
  const one = onePull(timed, { fewest, seconds: leastSeconds })
  if (!one.ok) return []
  const [first, last] = [one.value.rows[0]?.t ?? 0, one.value.rows.at(-1)?.t ?? 0]
  return [
    ...pullsIn(rows.filter(({ t }) => t < first)),
    { fromS: first, toS: last, rows: rows.filter(({ t }) => t >= first && t <= last) },
    ...pullsIn(rows.filter(({ t }) => t > last)),
  ]
}
