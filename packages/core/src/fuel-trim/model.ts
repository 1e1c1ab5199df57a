/** `[rpmIndex][loadIndex]`. */
export type Matrix = number[][]

/** Strictly rising axes, 2 to 40 points each: engine speed in rpm, load as throttle in %. */
export interface TrimAxes {
  rpm: number[]
  load: number[]
}

/** Air-fuel ratio wanted: one figure, or a table on axes of its own, bilinear inside and held at its edges. */
export type AfrTarget = { afr: number } | { rpm: number[]; load: number[]; afr: Matrix }

/** A ride log in the units of the fit. Blank fields are NaN. All columns have `rows` values. */
export interface RideLog {
  rows: number
  timeS: Float64Array
  rpm: Float64Array
  throttlePct: Float64Array
  afr: Float64Array
  coolantC?: Float64Array
  gear?: Float64Array
  batteryV?: Float64Array
  /** 1 while the sensor reports that it is ready. */
  sensorReady?: Float64Array
  /** 1 while the ECU corrects the mixture by itself. */
  closedLoop?: Float64Array
  /** Rows left out while reading because a field could not be read and the user said to go on without them. */
  unreadableRows: number
}

/** Limits of the row filters; they belong to the machine. */
export interface FilterLimits {
  afrRange: [number, number]
  crankingBelowRpm: number
  coldBelowC: number
  idleRpm: number
  overrunThrottlePct: number
  throttleRatePctPerS: number
  afterGearChangeS: number
  batteryBelowV: number
}

export const defaultLimits: FilterLimits = {
  afrRange: [9, 20],
  crankingBelowRpm: 500,
  coldBelowC: 70,
  idleRpm: 1400,
  overrunThrottlePct: 1,
  throttleRatePctPerS: 40,
  afterGearChangeS: 0.6,
  batteryBelowV: 11.5,
}

/** Why a row was not used, in the order in which the reasons are tried. */
export const rejectReasons = [
  'unreadable',
  'no-reading',
  'sensor-not-ready',
  'out-of-range',
  'cranking',
  'cold',
  'overrun',
  'transient',
  'gear-change',
  'low-battery',
  'closed-loop',
  'gap',
] as const
export type RejectReason = (typeof rejectReasons)[number]

export interface TrimOptions {
  /** Share of the way to the estimate taken in one pass, 0 to 1. */
  gain: number
  /** Largest change of a cell in one pass, % trim. */
  maxStepPct: number
  /** Table values are kept within these, % trim. */
  boundsPct: [number, number]
  /** Overrules the estimated delay, s. */
  delaySeconds?: number
}

export const defaultOptions: TrimOptions = { gain: 0.7, maxStepPct: 5, boundsPct: [-100, 250] }

export interface TrimProblem {
  axes: TrimAxes
  /** The table in force while the log was ridden, %. */
  trimPct: Matrix
  /** The table to change, %. */
  currentPct: Matrix
  target: AfrTarget
  limits: FilterLimits
  options: TrimOptions
}

export interface TrimCell {
  /** New value of the cell, %. */
  trimPct: number
  /** New minus current, %. */
  changePct: number
  /** What the log asks for at full gain, %; null where it says nothing. */
  estimatePct: number | null
  /** One standard error of the estimate, %; null where the log says nothing. */
  stdErrPct: number | null
  /** Effective seconds of riding that speak for this cell. */
  evidence: number
  earned: boolean
}

export type DelaySource = 'estimated' | 'given' | 'assumed'

export interface TrimSuggestion {
  /** Transport and sensor lag together, s. */
  delaySeconds: number
  delaySource: DelaySource
  usedRows: number
  rejected: Partial<Record<RejectReason, number>>
  filtersOff: RejectReason[]
  /** The coolant limit used, °C, and whether the log made it rise above the machine's own; null without a coolant column. */
  coldLimit: { usedC: number; raised: boolean } | null
  cells: TrimCell[][]
  /** For every row of the log: 0 when used, else 1 + index into `rejectReasons`. */
  reasonOfRow: Uint8Array
  /** Mean measured and wanted AFR near each cell, for the review; null where no used row is nearest to the cell. */
  measured: ({ afr: number; target: number; rows: number } | null)[][]
}

/** Called with the share done, 0 to 1, and what is under way. */
export type Progress = (share: number, stage: string) => void

/** Changes when the same log and options may give other numbers; kept with every accepted trim. */
export const fitVersion = 1
