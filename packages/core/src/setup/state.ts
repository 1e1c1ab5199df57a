import type { Done } from '../journal/index.ts'

/** A throttle as it was captured: shut and open, V. */
export interface CapturedThrottle {
  track: number
  shutV: number
  openV: number
  verdict: 'pass' | 'fail'
}

/** One position of the pedal at one sensitivity: both tracks with the module, and without it, V. */
export interface PedalPoint {
  /** Sensitivity, as the kit calls it. */
  level: string
  pct: number
  v1: number
  v2: number
  plain1?: number
  plain2?: number
}

/** What the unit was set to, what was captured, and what was agreed. */
export interface SetupState {
  settings: Record<string, Done & { value: string }>
  /** What the unit itself shows for a setting. */
  readBack: Record<string, Done & { value: string }>
  /** By kit (of one alone ''), the latest of each track. */
  captured: Record<string, (Done & CapturedThrottle)[]>
  /** By kit: the level the owner is to get, and for what. */
  agreed: Record<string, Done & { level: string; use: string; with: string }>
  /** By kit, the latest. */
  pedal: Record<string, Done & { verdict: 'pass' | 'fail'; points: PedalPoint[] }>
  /** Engine speed as one unit shows it and as it is, with the setting it was shown at. */
  compared: Record<string, Done & { displayedRpm: number; trueRpm: number; currentSetting: number }>
  /** Heights of the wheels as measured, m, and axle ratios where speed is picked up before the axle. */
  tyre: (Done & { standardHeightM: number; fittedHeightM: number; standardAxle?: number; fittedAxle?: number }) | null
  /** Programming and updates, each with what was there before and after. */
  updates: (Done & { what: string; before: string; after: string; supplyV: number })[]
}

export function freshSetup(): SetupState {
  return {
    settings: {},
    readBack: {},
    captured: {},
    agreed: {},
    pedal: {},
    compared: {},
    tyre: null,
    updates: [],
  }
}
