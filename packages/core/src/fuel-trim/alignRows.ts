import { AxisCursor, tableReader, targetReader } from './bilinear.ts'
import type { FilterResult } from './filterRows.ts'
import { rejectReasons, type RejectReason, type RideLog, type TrimProblem } from './model.ts'
import type { SensorTiming, SmearedPoints } from './sensorTiming.ts'

/** Rows that speak for the table, each with its place on the grid and what it asks for. */
export interface AlignedRows {
  count: number
  /** Row of the log. */
  source: Int32Array
  /** Lower node `rpmIndex · loads + loadIndex` of the row's rectangle. */
  node: Int32Array
  rpmShare: Float64Array
  loadShare: Float64Array
  /** Wanted change of the table in force, % trim: y − T(x). */
  wantedPct: Float64Array
  /** How far a row can be trusted by how fast the engine moved through the table: 1 at rest, falling. */
  trust: Float64Array
  rejected: Partial<Record<RejectReason, number>>
  /** For every row of the log: 0 when used, else 1 + index into `rejectReasons`. */
  reasonOfRow: Uint8Array
}

/** Longest pause between two rows over which the operating point is still joined up, s. */
const longestStepS = 1
/** Movement at which a row is trusted half, rectangles of the table a second. */
const halfTrustPerS = 2.5

const overrun = 1 + rejectReasons.indexOf('overrun')
const transient = 1 + rejectReasons.indexOf('transient')
const gap = 1 + rejectReasons.indexOf('gap')

/**
 * Puts each reading at the operating point its mixture came from:
 * y = 100·((AFR/target(x))·(1 + T(x)/100) − 1), wanted change y − T(x).
 * Overrun cut and fast throttle are judged at that earlier moment and for as long as the sensor still remembers them.
 * @param points rpm and throttle smeared by the timing's lag
 */
export function alignRows(
  log: RideLog,
  filter: FilterResult,
  problem: TrimProblem,
  timing: SensorTiming,
  points: SmearedPoints,
): AlignedRows {
  const { timeS, afr, rows } = log
  const { axes, trimPct, target } = problem
  const loads = axes.load.length
  const source = new Int32Array(rows)
  const node = new Int32Array(rows)
  const rpmShare = new Float64Array(rows)
  const loadShare = new Float64Array(rows)
  const wantedPct = new Float64Array(rows)
  const trust = new Float64Array(rows)
  const reasonOfRow = new Uint8Array(rows)
  const counts = new Float64Array(rejectReasons.length + 1)
  const overrunMemoryS = Math.max(0.25, 5 * timing.lagS)
  const transientMemoryS = Math.max(0.1, 2 * timing.lagS)
  const [rpm, load] = [new AxisCursor(axes.rpm), new AxisCursor(axes.load)]
  const [inForceAt, aimedAt] = [tableReader(trimPct), targetReader(target)]
  let count = 0
  let before = 0
  for (let k = 0; k < rows; k++) {
    let reason = filter.reasonOfRow[k]
    const when = timeS[k] - timing.transportS
    while (before < k && timeS[before + 1] <= when) before++
    const after = before < k ? before + 1 : before
    const step = timeS[after] - timeS[before]
    const share = step > 0 ? Math.min(1, Math.max(0, (when - timeS[before]) / step)) : 0
    const thenRpm = points.rpm[before] + (points.rpm[after] - points.rpm[before]) * share
    const thenLoad = points.throttlePct[before] + (points.throttlePct[after] - points.throttlePct[before]) * share
    if (reason === 0 || reason > overrun) {
      if (when < timeS[0] || step > longestStepS || Number.isNaN(thenRpm + thenLoad)) reason = reason || gap
      else if (when - filter.lastOverrunS[after] < overrunMemoryS) reason = overrun
      else if (when - filter.lastTransientS[after] < transientMemoryS) reason = transient
    }
    if (reason !== 0) {
      reasonOfRow[k] = reason
      counts[reason]++
      continue
    }
    rpm.seek(thenRpm)
    load.seek(thenLoad)
    const inForce = inForceAt(rpm, load)
    const wanted = 100 * ((afr[k] / aimedAt(thenRpm, thenLoad)) * (1 + inForce / 100) - 1)
    const speed =
      step > 0
        ? Math.abs(points.rpm[after] - points.rpm[before]) / rpm.width / step +
          Math.abs(points.throttlePct[after] - points.throttlePct[before]) / load.width / step
        : 0
    source[count] = k
    node[count] = rpm.low * loads + load.low
    rpmShare[count] = rpm.share
    loadShare[count] = load.share
    wantedPct[count] = wanted - inForce
    trust[count] = 1 / (1 + (speed / halfTrustPerS) ** 2)
    count++
  }
  counts[1] += log.unreadableRows
  return {
    count,
    source: source.subarray(0, count),
    node: node.subarray(0, count),
    rpmShare: rpmShare.subarray(0, count),
    loadShare: loadShare.subarray(0, count),
    wantedPct: wantedPct.subarray(0, count),
    trust: trust.subarray(0, count),
    reasonOfRow,
    rejected: Object.fromEntries(
      rejectReasons.flatMap((reason, index) => (counts[index + 1] > 0 ? [[reason, counts[index + 1]]] : [])),
    ),
  }
}
