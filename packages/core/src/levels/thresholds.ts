import type { Machine } from '../dossiers/index.ts'
import { usualLimits } from './findings.ts'

/** Where an alarm is set, so that there is time before the limit. */
export interface Threshold {
  quantity: string
  unit: string
  warnAt: number
  limit: number
  why: string
}

/** How far under its limit each alarm sits. */
const reserve: Record<string, { unit: string; by: number; why: string }> = {
  exhaust: { unit: '°C', by: 30, why: 'it still rises for seconds after the foot is off' },
  coolant: { unit: '°C', by: 4, why: 'the fan and the thermostat answer late' },
  rail: { unit: 'MPa', by: 5, why: 'its relief opens once and leaks for good' },
  boost: { unit: 'kPa', by: 5, why: 'the control unit takes power back at its code' },
}

/** Coolant at which a level is taken back, and at which it is stock again, °C. Source: general practice. */
export const derateC = { from: 105, stock: 110 } as const

/** Alarms under the limits of a machine; of speed none stands above what the law allows there, and that is for its driver to say. */
export function thresholds(machine: Pick<Machine, 'engine'>): Threshold[] {
  return usualLimits(machine).flatMap(({ quantity, max }) => {
    const below = reserve[quantity]
    return below && max !== undefined
      ? [{ quantity, unit: below.unit, warnAt: max - below.by, limit: max, why: below.why }]
      : []
  })
}
