import type { Air, Correction } from './air.ts'

/** One line of a pull. */
export interface PullRow {
  /** s */
  t: number
  /** 1/min */
  rpm: number
  speedKmh?: number
  powerKw?: number
  torqueNm?: number
  /** 100 is open; what finds pulls in a ride. */
  throttlePct?: number
}

/** What a road pull is worked out with. */
export interface Road {
  massKg: number
  /** Drag coefficient times frontal area, m². */
  dragAreaM2: number
  /** Rolling resistance, part of the weight. */
  rolling: number
  /** Rise over run; 0 unless said. */
  slope?: number
  gearRatio?: number
  axleRatio?: number
  tyreHeightM?: number
  /** What turns counts as so much more mass; 1.05 unless said. */
  rotatingMassFactor?: number
}

export interface PullAsked {
  rows: readonly PullRow[]
  road?: Road
  aspiration?: 'natural' | 'boosted'
  fuel?: 'petrol' | 'diesel'
  air?: Air
  correction?: Correction
}

export interface PullPoint {
  rpm: number
  speedKmh: number | null
  powerKw: number
  torqueNm: number
  /** Standard error; null for power that was given. */
  sePowerKw: number | null
}

/** A pull worked out: at the wheels, unless power was given. */
export interface Pull {
  points: PullPoint[]
  peakPower: { kw: number; rpm: number; speedKmh: number | null }
  peakTorque: { nm: number; rpm: number }
  factor: number
  warnings: string[]
}

/** P = T · ω: 150 kW at 3000 1/min are 477.5 N·m. */
export const torqueOf = (powerKw: number, rpm: number): number => (powerKw * 1000 * 60) / (2 * Math.PI * rpm)
export const powerOf = (torqueNm: number, rpm: number): number => (torqueNm * 2 * Math.PI * rpm) / 60_000

/** What a pull was driven in, as far as it was written down. */
export interface PullConditions {
  /** The first of a row, for warming: it does not count. */
  warmUp?: boolean
  intakeC?: number
  oilC?: number
  /** Before it began. */
  exhaustC?: number
  outsideC?: number
  pressureKPa?: number
  humidityPct?: number
  gear?: string
  tyreHeightM?: number
  massKg?: number
  /** What a road pull was worked out with. */
  dragAreaM2?: number
  rolling?: number
  slope?: number
  direction?: 'there' | 'back'
  windKmh?: number
  /** The converter's clutch was shut. */
  locked?: boolean
}
