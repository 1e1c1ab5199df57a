import type { RideLog } from './model.ts'

/** How late a reading is: the exhaust's way to the sensor, then the sensor's own first-order lag. */
export interface SensorTiming {
  transportS: number
  lagS: number
}

/** Effective delay for all that changes slowly against the lag, s. */
export function wholeDelayS(timing: SensorTiming): number {
  return timing.transportS + timing.lagS
}

/** Engine speed and throttle as the sensor's lag would smear them. */
export interface SmearedPoints {
  rpm: Float64Array
  throttlePct: Float64Array
}

/**
 * Passes rpm and throttle through the sensor's lag. A table that is straight over the smear then meets the smeared
 * reading exactly, which a mere shift in time does not.
 */
export function smearPoints(log: RideLog, lagS: number): SmearedPoints {
  if (lagS <= 0) return { rpm: log.rpm, throttlePct: log.throttlePct }
  return { rpm: lowPass(log.timeS, log.rpm, lagS), throttlePct: lowPass(log.timeS, log.throttlePct, lagS) }
}

/** First-order lag with straight lines between samples (first-order hold); starts afresh after a blank or a pause of 1 s. */
function lowPass(timeS: Float64Array, input: Float64Array, lagS: number): Float64Array {
  const output = new Float64Array(input.length)
  let state = Number.NaN
  let keep = 0
  let slope = 0
  let forStep = -1
  for (let k = 0; k < input.length; k++) {
    const dt = k > 0 ? timeS[k] - timeS[k - 1] : 0
    if (Number.isNaN(state) || dt > 1) state = input[k]
    else if (dt > 0) {
      if (dt !== forStep) {
        keep = Math.exp(-dt / lagS)
        slope = (lagS / dt) * (1 - keep)
        forStep = dt
      }
      state = keep * state + input[k] - keep * input[k - 1] - (input[k] - input[k - 1]) * slope
    }
    output[k] = state
  }
  return output
}
