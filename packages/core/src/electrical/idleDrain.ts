import { failure, success, type Outcome, type Problem } from '../shared/index.ts'

export interface IdleDrainAsked {
  capacityAh: number
  /** Share of the capacity that may be used before it will not start any more, %. */
  usablePct: number
  moduleMa: number
  /** What the machine itself draws standing. */
  machineMa?: number
}

/**
 * Days until a standing machine has used up its battery's usable part: capacity · usable / (24 · I).
 * @returns `days` null where nothing is drawn: it never does
 * @example 12 Ah, 50 %, 29 mA → 8.62 days
 */
export function idleDrain(asked: IdleDrainAsked, path = ''): Outcome<{ days: number | null }> {
  const { capacityAh, usablePct, moduleMa, machineMa = 0 } = asked
  const problems: Problem[] = []
  const say = (field: string, message: string) =>
    problems.push({ code: 'out-of-range', path: path === '' ? field : `${path}.${field}`, message })
  if (!(capacityAh > 0) || capacityAh > 2000) say('capacityAh', 'A capacity is above 0 and at most 2,000 Ah.')
  if (!(usablePct > 0) || usablePct > 100) say('usablePct', 'The usable part is above 0 and at most 100 %.')
  if (!(moduleMa >= 0) || moduleMa > 100_000) say('moduleMa', 'A drain is 0 or more, in mA.')
  if (!(machineMa >= 0) || machineMa > 100_000) say('machineMa', 'A drain is 0 or more, in mA.')
  if (problems.length > 0) return failure(...problems)
  const drainA = (moduleMa + machineMa) / 1000
  return success({ days: drainA === 0 ? null : (capacityAh * usablePct) / 100 / (24 * drainA) })
}

/** How long a battery lasts, in words; null: not known. */
export function lastsWords(days: number | null): string {
  if (days === null) return 'not known'
  return days >= 90 ? `${Math.round(days / 30)} months` : `${days.toFixed(1)} days`
}
