import { success, type Outcome } from '../shared/index.ts'
import { impossible, likelyMetres } from './figures.ts'

export interface RoadSpeedAsked {
  /** Of the engine, 1/min. */
  rpm: number
  gearRatio: number
  axleRatio: number
  /** Ground to top at road pressure, m: it holds the squat already. */
  tyreHeightM: number
}

/**
 * Road speed from engine speed: rpm / (gear · axle) turns of a wheel with the circumference π · height.
 * @returns km/h; 2200 rpm, 1.00, 3.42, 0.80 m are 97.0
 */
export function roadSpeed({ rpm, gearRatio, axleRatio, tyreHeightM }: RoadSpeedAsked): Outcome<{ speedKmh: number }> {
  const wrong = impossible([
    { path: 'rpm', value: rpm, low: 0, high: 25_000, unit: '1/min' },
    { path: 'gearRatio', value: gearRatio, low: 0.05, high: 200, unit: '' },
    { path: 'axleRatio', value: axleRatio, low: 0.05, high: 200, unit: '' },
    { path: 'tyreHeightM', value: tyreHeightM, low: 0.1, high: 3, unit: 'm', likely: likelyMetres },
  ])
  if (wrong) return wrong
  const turnsPerS = rpm / (gearRatio * axleRatio) / 60
  return success({ speedKmh: turnsPerS * Math.PI * tyreHeightM * 3.6 })
}
