import { failure, success, type Outcome } from '../shared/index.ts'

/** Air as a weather station has it: total pressure, kPa; temperature, °C; relative humidity, %. */
export interface Air {
  pressureKPa: number
  tempC: number
  humidityPct: number
}

/** m/s² */
export const gravity = 9.80665
/** Standard air, kg/m³, where nobody said what it was. */
export const plainDensity = 1.225

export const corrections = ['none', 'sae-j1349', 'din-70020'] as const
export type Correction = (typeof corrections)[number]

/** Outside these a factor says more of the weather than of the engine. */
const factorWithin = [0.93, 1.07] as const

/** Pressure of the water vapour in air, kPa. Source: Magnus form after Alduchov and Eskridge (1996). */
export function vapourKPa({ tempC, humidityPct }: Air): number {
  return (humidityPct / 100) * 0.61094 * Math.exp((17.625 * tempC) / (tempC + 243.04))
}

/** Density of moist air, kg/m³, by partial pressures; 101.325 kPa, 15 °C, dry is 1.225. */
export function airDensity(air: Air): number {
  const kelvin = air.tempC + 273.15
  const vapour = vapourKPa(air)
  return (1000 * (air.pressureKPa - vapour)) / (287.05 * kelvin) + (1000 * vapour) / (461.5 * kelvin)
}

/** Air pressure at a height, kPa: the international standard atmosphere; 1800 m is 81.49. */
export function pressureAt(altitudeM: number): number {
  return 101.325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588
}

/** What is wrong with a weather; null where it can be. */
export function airProblem({ pressureKPa, tempC, humidityPct }: Air): Outcome<never> | null {
  const wrong = (path: string, message: string): Outcome<never> =>
    failure({ code: 'out-of-range', path: `air.${path}`, message })
  if (!(pressureKPa >= 50 && pressureKPa <= 110))
    return wrong(
      'pressureKPa',
      `${pressureKPa} kPa is no air pressure: it lies between 50 and 110.${pressureKPa >= 500 && pressureKPa <= 1100 ? ' In hPa it would be right: divide by ten.' : ''}`,
    )
  if (!(tempC >= -40 && tempC <= 60))
    return wrong(
      'tempC',
      `${tempC} °C is no weather: it lies between −40 and 60.${tempC > 60 && tempC <= 140 ? ' In °F it would be right.' : ''}`,
    )
  if (!(humidityPct >= 0 && humidityPct <= 100)) return wrong('humidityPct', 'Humidity lies between 0 and 100 %.')
  return null
}

/** The factor of a form as arithmetic, whatever it comes to. */
export function correctionFactor(correction: Correction, air: Air): number {
  const kelvin = air.tempC + 273
  switch (correction) {
    case 'none':
      return 1
    case 'sae-j1349':
      return 1.18 * (990 / (10 * (air.pressureKPa - vapourKPa(air)))) * Math.sqrt(kelvin / 298) - 0.18
    case 'din-70020':
      return (1013 / (10 * air.pressureKPa)) * Math.sqrt(kelvin / 293)
  }
}

export interface CorrectionAsked {
  correction?: Correction
  air?: Air
  aspiration?: 'natural' | 'boosted'
  fuel?: 'petrol' | 'diesel'
}

/**
 * The factor a pull is multiplied with: 1 where it is out of its form's range, with a warning; refused where the form does not apply.
 * Source: SAE J1349 (2004 form) for dry air at 990 hPa and 25 °C, DIN 70020 for total pressure at 1013 hPa and 20 °C; both for naturally aspirated petrol engines.
 */
export function factorOf({
  correction = 'none',
  air,
  aspiration,
  fuel,
}: CorrectionAsked): Outcome<{ factor: number; warnings: string[] }> {
  const problem = air && airProblem(air)
  if (problem) return problem
  if (correction === 'none') return success({ factor: 1, warnings: [] })
  if (aspiration === 'boosted' || fuel === 'diesel')
    return failure({
      ...{ code: 'correction-not-valid', path: 'correction' },
      message: `This form is for naturally aspirated petrol engines: a ${aspiration === 'boosted' ? 'boosted' : 'diesel'} engine makes up for thin air by itself. Leave the pull uncorrected.`,
    })
  if (!air)
    return failure({
      code: 'missing',
      path: 'air',
      message: 'A correction wants the air: pressure, temperature, humidity.',
    })
  const assumed = [
    ...(aspiration === undefined ? ['naturally aspirated'] : []),
    ...(fuel === undefined ? ['petrol'] : []),
  ]
  const warnings = assumed.length > 0 ? [`Taken as ${assumed.join(', ')}: nobody said otherwise.`] : []
  const factor = correctionFactor(correction, air)
  const [low, high] = factorWithin
  return factor < low || factor > high
    ? success({
        factor: 1,
        warnings: [
          ...warnings,
          `The factor would be ${factor.toFixed(3)}, outside ${low} to ${high}: it is not applied. Compare pulls of one day only.`,
        ],
      })
    : success({ factor, warnings })
}
