import { z } from 'zod'

/** Nothing in a journal is older: fitters' tablets had no clock of their own before that. */
const earliest = Date.UTC(2000, 0, 1)

/** An instant with its offset (RFC 3339), not before the year 2000. */
export const instant: z.ZodISODateTime = z.iso
  .datetime({ offset: true, error: 'is no instant. Write it like 2026-05-04T08:15:00Z' })
  .refine((text) => !(Date.parse(text) < earliest), 'The time lies before the year 2000. Set the clock of the device.')

/** How far the clock of a device may be ahead, ms. */
export const aheadMs = 24 * 3_600_000

/** Whether an instant lies more than a day ahead of `now` (ISO). */
export function isAhead(at: string, now: string): boolean {
  return Date.parse(at) > Date.parse(now) + aheadMs
}
