import { success, type Outcome } from '../shared/index.ts'
import { impossible } from './figures.ts'

export interface PulsesAsked {
  /** What the unit shows, and what the engine really turns, 1/min. */
  displayedRpm: number
  trueRpm: number
  /** Cylinders, or pulses, as set now. */
  currentSetting: number
}

export interface PulseAnswer {
  /** Shown / true. */
  ratio: number
  /** The whole number to set; null where all is in order, or where no setting would mend it. */
  suggestion: number | null
  /** What is the likely reason; null where all is in order. */
  cause: string | null
}

const settings = [1, 2, 3, 4, 5, 6, 8, 10, 12] as const
const within = 0.03

/** Causes that have a ratio of their own. */
const causes: readonly [ratio: number, cause: string][] = [
  [1 / 2, 'half of the pulses are seen: one bank, or one of two coils that fire together'],
  [2, 'twice the pulses are seen: wasted spark, or both coils'],
  [1 / 3, 'a third of the pulses is seen'],
  [2 / 3, 'two thirds of the pulses are seen: a wrong tooth count'],
  [1.5, 'half as many pulses again are seen: a wrong tooth count'],
  [3, 'three times the pulses are seen: a wrong tooth count'],
]

const isNear = (value: number, wanted: number) => Math.abs(value - wanted) <= within * wanted + 1e-12

/**
 * What the cylinder or pulse setting should be, from what is shown: shown = true · pulses seen / pulses expected, and expected goes with
 * the setting, so the setting is now · shown / true. 8 set, 3200 true, 1600 shown: 4.
 */
export function pulseSetting({ displayedRpm, trueRpm, currentSetting }: PulsesAsked): Outcome<PulseAnswer> {
  const wrong = impossible([
    { path: 'displayedRpm', value: displayedRpm, low: 0, high: 100_000, unit: '1/min' },
    { path: 'trueRpm', value: trueRpm, low: 1, high: 25_000, unit: '1/min' },
    { path: 'currentSetting', value: currentSetting, low: 0.5, high: 120, unit: 'pulses' },
  ])
  if (wrong) return wrong
  const ratio = displayedRpm / trueRpm
  if (isNear(ratio, 1)) return success({ ratio, suggestion: null, cause: null })
  const named = causes.find(([wanted]) => isNear(ratio, wanted))?.[1]
  const suggestion = settings.find((whole) => isNear(currentSetting * ratio, whole)) ?? null
  if (suggestion === null)
    return success({ ratio, suggestion, cause: named ?? 'no setting gives this: look at teeth, noise and wire' })
  return success({ ratio, suggestion, cause: named ?? `set as ${currentSetting}, and it is ${suggestion}` })
}
