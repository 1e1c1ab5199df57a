import type { Machine } from './model.ts'

/** Whether an engine has no throttle to hold its mixture: it needs no ratio at lambda 1. */
export function isDiesel({ fuel }: Pick<Machine['engine'], 'fuel'>): boolean {
  return /diesel/i.test(fuel)
}

/** Air to fuel by mass at lambda 1; for a diesel that has none written down that of its fuel (EN 590). */
export function stoichOf({ stoichAfr }: Pick<Machine['engine'], 'stoichAfr'>): number {
  return stoichAfr ?? 14.5
}
