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
  /** Speed at the diagnostic socket and by satellite, the latest, km/h. */
  roadCheck: (Done & { socketKmh: number; satelliteKmh: number }) | null
  /** By kit: the level as each place shows it, the latest of each. */
  levelSeen: Record<string, Partial<Record<LevelPlace, Done & { level: string }>>>
  /** By kit: what was shown at each click of a selector, and the room round its knob, mm. */
  selector: Record<string, Done & { clicks: SelectorClick[]; clearanceMm?: number }>
  /** By kit: the unit that is fitted, and whether a phone or tablet pairs with it where it sits. */
  units: Record<string, Done & { part: string; serial: string; pairs: boolean }>
  /** Programming and updates, each with what was there before and after. */
  updates: (Done & { what: string; before: string; after: string; supplyV: number })[]
}

/** Where a level is shown. */
export const levelPlaces = ['module', 'dash', 'link'] as const
export type LevelPlace = (typeof levelPlaces)[number]

/** A click of a selector: its position, and what the module shows then; 0 is stock. */
export interface SelectorClick {
  position: number
  shown: number
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
    roadCheck: null,
    levelSeen: {},
    selector: {},
    units: {},
    updates: [],
  }
}
