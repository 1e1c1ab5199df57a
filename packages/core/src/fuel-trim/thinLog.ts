import type { RideLog } from './model.ts'

/** A stretch of the ride for a chart: means, the extremes of AFR, and why most of its rows were left out. */
export interface LogStretch {
  timeS: number
  rpm: number
  throttlePct: number
  afr: number
  afrLow: number
  afrHigh: number
  coolantC: number | null
  /** Share of rows that were used. */
  used: number
  /** 0 when most rows were used, else 1 + index into `rejectReasons`, the commonest. */
  reason: number
}

/** The ride in at most `points` stretches of equal row count. */
export function thinLog(log: RideLog, reasonOfRow: Uint8Array, points = 480): LogStretch[] {
  const size = Math.max(1, Math.ceil(log.rows / points))
  const stretches: LogStretch[] = []
  for (let from = 0; from < log.rows; from += size)
    stretches.push(stretchOf(log, reasonOfRow, from, Math.min(log.rows, from + size)))
  return stretches
}

function stretchOf(log: RideLog, reasonOfRow: Uint8Array, from: number, to: number): LogStretch {
  const sums = { rpm: 0, throttle: 0, afr: 0, coolant: 0 }
  const counts = new Map<number, number>()
  let readings = 0
  let afrLow = Infinity
  let afrHigh = -Infinity
  for (let k = from; k < to; k++) {
    counts.set(reasonOfRow[k], (counts.get(reasonOfRow[k]) ?? 0) + 1)
    if (Number.isNaN(log.rpm[k] + log.throttlePct[k] + log.afr[k])) continue
    readings++
    sums.rpm += log.rpm[k]
    sums.throttle += log.throttlePct[k]
    sums.afr += log.afr[k]
    sums.coolant += log.coolantC?.[k] ?? 0
    afrLow = Math.min(afrLow, log.afr[k])
    afrHigh = Math.max(afrHigh, log.afr[k])
  }
  const used = counts.get(0) ?? 0
  const commonest = [...counts].sort((a, b) => b[1] - a[1])[0]
  const mean = (sum: number) => (readings > 0 ? sum / readings : 0)
  return {
    timeS: log.timeS[from],
    rpm: mean(sums.rpm),
    throttlePct: mean(sums.throttle),
    afr: mean(sums.afr),
    afrLow: readings > 0 ? afrLow : 0,
    afrHigh: readings > 0 ? afrHigh : 0,
    coolantC: log.coolantC && readings > 0 ? mean(sums.coolant) : null,
    used: used / (to - from),
    reason: commonest[0],
  }
}
