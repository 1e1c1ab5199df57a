import { failure, success, type Outcome } from '../shared/index.ts'
import type { PullRow } from './model.ts'

/** From bottom to top it rises by so much of its top, at least. */
const leastRise = 0.12
/** Over so many lines to either side the middle one is taken: noise is no fall. */
const halfWindow = 3
/** A ratio of engine to road speed that holds within so much is one gear. */
const oneGear = 0.035
/** Wheels spin, or a clutch slips, where it rises by so much and comes back. */
const spun = 0.05

export interface OnePull<Row extends PullRow> {
  rows: Row[]
  /** 1/min for each km/h in the gear it was driven in; null without road speed, and where it changes all the way (a belt, a converter). */
  ratio: number | null
  warnings: string[]
}

/**
 * The longest rise in one gear; what is cut away is said.
 * @param rows in their order, with what makes a pull: at least so many lines, at least so long
 */
export function onePull<Row extends PullRow & { kmh?: number }>(
  rows: readonly Row[],
  { fewest, seconds: least }: { fewest: number; seconds: number },
): Outcome<OnePull<Row>> {
  const warnings: string[] = []
  const byTime = middles(rows.map(({ rpm }) => rpm))
  const first = byTime[0] ?? 0
  const last = byTime.at(-1) ?? 0
  const pieces = inOneGear(rows, byTime)
  if (pieces.cut) warnings.push(pieces.cut)
  const byEngine = longestRise(pieces.rows, middles(pieces.rows.map(({ rpm }) => rpm)))
  const onBelt = byBelt(pieces.rows, byEngine)
  const rise = onBelt ?? byEngine
  const measure = ({ rpm, kmh = 0 }: Row) => (onBelt ? kmh : rpm)
  const [bottom, top] = [rise[0], rise.at(-1)].map((row) => (row ? measure(row) : 0))
  if (rise.length < fewest || lasting(rise) < least || (top ?? 0) - (bottom ?? 0) < leastRise * (top ?? 0))
    return failure({
      ...{ code: 'no-pull', path: 'rows' },
      message:
        last < first * (1 - leastRise)
          ? `The engine speed falls, from ${Math.round(first)} to ${Math.round(last)} 1/min: that is coasting down, or the order of the lines.`
          : `No pull in it: the engine speed rises for no ${least} s by ${100 * leastRise} % in one gear.`,
    })
  if (rise.length < 0.9 * rows.length && !pieces.cut)
    warnings.push(
      `Of ${rows.length} lines ${rise.length} are the pull; before and after it the engine speed does not rise.`,
    )
  const ratios = rise.flatMap(({ rpm, kmh }) => (kmh !== undefined && kmh > 3 ? [rpm / kmh] : []))
  if (ratios.length < rise.length) return success({ rows: rise, ratio: null, warnings })
  const middle = middles(ratios)
  const product = rise.reduce((sum, { rpm, kmh = 0 }) => sum + rpm * kmh, 0)
  const ratio = product / rise.reduce((sum, { kmh = 0 }) => sum + kmh * kmh, 0)
  const [lowest, highest] = [Math.min(...middle), Math.max(...middle)]
  if (highest / lowest - 1 <= oneGear) return success({ rows: rise, ratio, warnings })
  const [start, end] = [middle[halfWindow] ?? ratio, middle.at(-1 - halfWindow) ?? ratio]
  if (highest / Math.max(start, end) - 1 > spun && Math.abs(start / end - 1) < oneGear) {
    const kept = rise.filter((_row, i) => (middle[i] ?? 0) / Math.min(start, end) - 1 <= oneGear)
    warnings.push(
      'The wheels spun, or the clutch slipped: the engine speed rose without the road speed. Those lines are left out; a pull without is better.',
    )
    return kept.length >= fewest
      ? success({ rows: kept, ratio: start, warnings })
      : success({ rows: rise, ratio: null, warnings })
  }
  warnings.push(
    'Engine and road speed do not keep one ratio (a belt, or a converter that is not locked): power at the wheels only, compare by road speed.',
  )
  return success({ rows: rise, ratio: null, warnings })
}

const lasting = (rows: readonly { t: number }[]) => (rows.at(-1)?.t ?? 0) - (rows[0]?.t ?? 0)

/** The rise of the road speed where a belt holds the engine where its power is; null where they rise together, or no road speed is known. */
function byBelt<Row extends PullRow & { kmh?: number }>(rows: readonly Row[], byEngine: readonly Row[]): Row[] | null {
  if (rows.some(({ kmh }) => kmh === undefined || kmh <= 0)) return null
  const rise = longestRise(rows, middles(rows.map(({ kmh = 0 }) => kmh)))
  const ratios = middles(rise.map(({ rpm, kmh = 1 }) => rpm / kmh))
  const falls = (ratios[halfWindow] ?? 0) / (ratios.at(-1 - halfWindow) ?? 1)
  const engine = middles(rise.map(({ rpm }) => rpm))
  const loses = Math.max(...engine) > (engine.at(-1) ?? 0) * (1 + leastRise)
  return falls > 1 + leastRise && !loses && lasting(rise) >= lasting(byEngine) ? rise : null
}

/** Medians over a few neighbours. */
function middles(values: readonly number[]): number[] {
  return values.map((_value, i) => {
    const near = values.slice(Math.max(0, i - halfWindow), i + halfWindow + 1).sort((a, b) => a - b)
    return near[Math.floor(near.length / 2)] ?? 0
  })
}

/** A gear change: within half a second the ratio, or without speeds the engine speed, falls by this much and stays there. */
const gearFall = 0.1

/** The longest piece without a gear change. */
function inOneGear<Row extends PullRow & { kmh?: number }>(
  rows: readonly Row[],
  rpm: readonly number[],
): { rows: Row[]; cut: string | null } {
  const withSpeed = rows.every(({ kmh }) => kmh !== undefined && kmh > 0)
  const measure = withSpeed ? middles(rows.map((row) => row.rpm / (row.kmh ?? 1))) : rpm
  const cuts = [0]
  for (let i = 0; i < rows.length; i++) {
    const before = measure[i] ?? 0
    let j = i
    while (j + 1 < rows.length && (rows[j + 1]?.t ?? 0) - (rows[i]?.t ?? 0) <= 1) j++
    const after = measure[j] ?? before
    const later = measure[Math.min(rows.length - 1, j + 8)] ?? after
    const stays = Math.abs(later / after - 1) < gearFall
    // A belt's ratio falls as well, and its engine keeps its speed.
    if ((rpm[j] ?? 0) > (rpm[i] ?? 0) * (1 - gearFall / 2)) continue
    if (after < before * (1 - gearFall) && stays && (measure[Math.max(0, i - 8)] ?? 0) >= after * (1 + gearFall / 2)) {
      // Spun wheels come back to the ratio they began with; a gear does not.
      if (!(withSpeed && Math.abs(after / (measure[0] ?? after) - 1) < oneGear)) cuts.push(i, j)
      i = j
    }
  }
  cuts.push(rows.length)
  if (cuts.length === 2) return { rows: [...rows], cut: null }
  let best: Row[] = []
  for (let k = 0; k + 1 < cuts.length; k += 2) {
    const piece = rows.slice(cuts[k], cuts[k + 1])
    if (piece.length > best.length) best = [...piece]
  }
  return { rows: best, cut: 'A gear was changed in it: only its longest piece in one gear is worked out.' }
}

/** From the lowest middle before the highest one to that: what rises, however it wavers. */
function longestRise<Row>(rows: readonly Row[], rpm: readonly number[]): Row[] {
  let [from, to, most, low] = [0, 0, -Infinity, 0]
  rpm.forEach((value, i) => {
    if (value < (rpm[low] ?? 0)) low = i
    const rise = value - (rpm[low] ?? 0)
    if (rise > most) [from, to, most] = [low, i, rise]
  })
  return rows.slice(from, Math.min(rows.length, to + halfWindow + 1))
}
