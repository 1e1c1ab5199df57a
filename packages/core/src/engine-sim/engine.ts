import type { AfrTarget } from '../fuel-trim/index.ts'

/** A petrol machine with a CVT, as far as a ride log needs it. */
export interface SimEngine {
  idleRpm: number
  limiterRpm: number
  peakPowerW: number
  massKg: number
  dragAreaM2: number
  rolling: number
  /** Final distance travelled per crank turn at the lowest and highest CVT ratio, m. */
  metresPerTurn: [number, number]
  target: AfrTarget
  /** Trim that would put the mixture on target at an operating point, %: the truth a log is to find. */
  requiredTrimPct(rpm: number, throttlePct: number): number
  /** Exhaust transport, s, and the sensor's first-order lag, s. */
  transportS: number
  sensorLagS: number
  /** Enrichment at 20 °C, as a share, fading to nothing at `warmC`. */
  coldEnrichment: number
  warmC: number
  /** Share of fuel the wall film holds back beyond what the ECU makes up for, and its time constant, s. */
  filmShare: number
  filmS: number
}

/** The utility quad of the demo: lean in the middle after a freer exhaust, rich at the top. */
export const quadEngine: SimEngine = {
  idleRpm: 1400,
  limiterRpm: 7200,
  peakPowerW: 24_000,
  massKg: 390,
  dragAreaM2: 0.8,
  rolling: 0.035,
  metresPerTurn: [0.0616, 0.247],
  target: {
    rpm: [1500, 4000, 7000],
    load: [0, 30, 60, 100],
    afr: [
      [14.2, 14.1, 13.4, 13.0],
      [14.3, 14.0, 13.2, 12.9],
      [14.0, 13.6, 13.0, 12.8],
    ],
  },
  requiredTrimPct: (rpm, throttlePct) =>
    2 +
    5 * Math.exp(-(((rpm - 3400) / 1500) ** 2) - ((throttlePct - 25) / 25) ** 2) -
    4 * Math.exp(-(((rpm - 6200) / 1400) ** 2)) +
    1.5 * Math.sin(throttlePct / 18),
  transportS: 0.16,
  sensorLagS: 0.12,
  coldEnrichment: 0.22,
  warmC: 68,
  filmShare: 0.04,
  filmS: 0.25,
}
