import { rejectReasons, type FilterLimits, type RejectReason, type RideLog } from './model.ts'

export interface FilterResult {
  /** 0 where the row may be used, else 1 + index into `rejectReasons`. Judged without the delay. */
  reasonOfRow: Uint8Array
  /** When the overrun cut last held, s, at or before each row; −∞ where it has not yet. */
  lastOverrunS: Float64Array
  /** When the throttle last moved faster than the limit, s, at or before each row. */
  lastTransientS: Float64Array
  filtersOff: RejectReason[]
}

const code = (reason: RejectReason) => 1 + rejectReasons.indexOf(reason)

/** Filters that need a column the log may not have. */
const needs: [RejectReason, (log: RideLog) => Float64Array | undefined][] = [
  ['sensor-not-ready', (log) => log.sensorReady],
  ['cold', (log) => log.coolantC],
  ['gear-change', (log) => log.gear],
  ['low-battery', (log) => log.batteryV],
  ['closed-loop', (log) => log.closedLoop],
]

/**
 * Judges every row by what was measured in it; each row gets the first reason that holds.
 * Overrun and throttle speed are not judged here: they belong to the moment the exhaust left the cylinder
 * and need the delay (see `alignRows`).
 */
export function filterRows(log: RideLog, limits: FilterLimits, coldBelowC = limits.coldBelowC): FilterResult {
  const { rows, timeS, rpm, throttlePct, afr, coolantC, gear, batteryV, sensorReady, closedLoop } = log
  const reasonOfRow = new Uint8Array(rows)
  let gearChangedAt = -Infinity
  let lastGear = Number.NaN
  for (let k = 0; k < rows; k++) {
    if (gear && Number.isFinite(gear[k])) {
      if (Number.isFinite(lastGear) && gear[k] !== lastGear) gearChangedAt = timeS[k]
      lastGear = gear[k]
    }
    let reason = 0
    if (Number.isNaN(timeS[k] + rpm[k] + throttlePct[k] + afr[k])) reason = code('no-reading')
    else if (sensorReady && !(sensorReady[k] > 0)) reason = code('sensor-not-ready')
    else if (afr[k] < limits.afrRange[0] || afr[k] > limits.afrRange[1]) reason = code('out-of-range')
    else if (rpm[k] < limits.crankingBelowRpm) reason = code('cranking')
    else if (coolantC && !(coolantC[k] >= coldBelowC)) reason = code('cold')
    else if (gear && timeS[k] - gearChangedAt < limits.afterGearChangeS) reason = code('gear-change')
    else if (batteryV && batteryV[k] < limits.batteryBelowV) reason = code('low-battery')
    else if (closedLoop && closedLoop[k] > 0) reason = code('closed-loop')
    reasonOfRow[k] = reason
  }
  const rate = throttleRates(timeS, throttlePct)
  return {
    reasonOfRow,
    lastOverrunS: lastTimes(timeS, (k) => throttlePct[k] <= limits.overrunThrottlePct && rpm[k] > 1.5 * limits.idleRpm),
    lastTransientS: lastTimes(timeS, (k) => rate[k] > limits.throttleRatePctPerS),
    filtersOff: needs.filter(([, column]) => column(log) === undefined).map(([reason]) => reason),
  }
}

function lastTimes(timeS: Float64Array, holds: (row: number) => boolean): Float64Array {
  const times = new Float64Array(timeS.length)
  let last = -Infinity
  for (let k = 0; k < timeS.length; k++) {
    if (holds(k)) last = timeS[k]
    times[k] = last
  }
  return times
}

const rateWindowS = 0.1

/** Throttle speed at each row over about ±0.1 s, so that the noise of one sample is no movement. */
function throttleRates(timeS: Float64Array, throttlePct: Float64Array): Float64Array {
  const rows = timeS.length
  const rates = new Float64Array(rows)
  let back = 0
  let ahead = 0
  for (let k = 0; k < rows; k++) {
    while (back < k && timeS[k] - timeS[back] > rateWindowS * 1.01) back++
    while (ahead < rows - 1 && timeS[ahead + 1] - timeS[k] <= rateWindowS * 1.01) ahead++
    const first = back === k ? Math.max(0, k - 1) : back
    const last = Math.max(ahead, Math.min(rows - 1, k + 1))
    const span = timeS[last] - timeS[first]
    rates[k] = span > 0 ? Math.abs(throttlePct[last] - throttlePct[first]) / span : 0
  }
  return rates
}
