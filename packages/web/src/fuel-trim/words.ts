export { signedPct as signed } from '@tidy-badger/core/fuel-trim'
import type { RejectReason } from '@tidy-badger/core/fuel-trim'

export const reasonWords: Record<RejectReason, string> = {
  unreadable: 'could not be read',
  'no-reading': 'a field was blank',
  'sensor-not-ready': 'sensor not ready',
  'out-of-range': 'outside what the sensor can read',
  cranking: 'cranking',
  cold: 'engine cold',
  overrun: 'overrun cut',
  transient: 'throttle moved fast',
  'gear-change': 'just after a gear change',
  'low-battery': 'battery low',
  'closed-loop': 'the ECU was correcting by itself',
  gap: 'nothing known of the moment before',
}

/** Columns that a filter would have needed. */
export const filterColumns: Partial<Record<RejectReason, string>> = {
  'sensor-not-ready': 'sensor ready',
  cold: 'coolant',
  'gear-change': 'gear',
  'low-battery': 'battery',
  'closed-loop': 'closed loop',
}

export function count(value: number): string {
  return String(Math.round(value)).replace(/\B(?=(\d{3})+$)/g, ',')
}
