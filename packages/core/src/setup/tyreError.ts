import { failure, success, type Outcome } from '../shared/index.ts'
import { impossible, likelyMetres, type FigureAsked } from './figures.ts'

export interface TyreAsked {
  /** Measured on the wheels, ground to top, m. */
  standardHeightM: number
  fittedHeightM: number
  /** Only where speed is picked up before the axle; both or none. */
  standardAxle?: number
  fittedAxle?: number
}

export interface TyreError {
  /** What is shown for each unit of true speed. */
  indicatedToTrue: number
  /** Of the true speed, %; above 0 it shows too much. */
  errorPct: number
}

/** What another tyre, and another axle, do to the speed that is shown: standard / fitted height · fitted / standard axle. */
export function tyreError({ standardHeightM, fittedHeightM, standardAxle, fittedAxle }: TyreAsked): Outcome<TyreError> {
  if ((standardAxle === undefined) !== (fittedAxle === undefined))
    return failure({
      code: 'missing',
      path: standardAxle === undefined ? 'standardAxle' : 'fittedAxle',
      message: 'An axle counts against the other one: give both, or none where speed is picked up at the wheels.',
    })
  const axle = (path: string, value: number | undefined): FigureAsked[] =>
    value === undefined ? [] : [{ path, value, low: 0.05, high: 200, unit: '' }]
  const height = (path: string, value: number): FigureAsked => ({
    ...{ path, value, low: 0.1, high: 3, unit: 'm' },
    likely: likelyMetres,
  })
  const wrong = impossible([
    height('standardHeightM', standardHeightM),
    height('fittedHeightM', fittedHeightM),
    ...axle('standardAxle', standardAxle),
    ...axle('fittedAxle', fittedAxle),
  ])
  if (wrong) return wrong
  const indicatedToTrue = (standardHeightM / fittedHeightM) * ((fittedAxle ?? 1) / (standardAxle ?? 1))
  return success({ indicatedToTrue, errorPct: 100 * (indicatedToTrue - 1) })
}
