import type { PullConditions } from './model.ts'
import type { PullMade } from './state.ts'

export interface JudgedPulls<One extends PullMade = PullMade> {
  before: One[]
  after: One[]
  left: { pull: One; why: string }[]
  /** What differs between those that count, and what that means. */
  notes: string[]
}

/** Intake and oil alike within this, K. */
const alikeK = 5
/** Above this an exhaust is not cool at the beginning, °C. */
const coolC = 250
/** Weather that differs by more is named: 1 % of pressure is 1 % of a free engine's power. */
const weatherKPa = 1
const tyrePart = 0.005
const massPart = 0.03
const windKmh = 10
const sameDayMs = 12 * 3600_000

/**
 * Which pulls count, and what their conditions say of a comparison. Corrected is only what a correction is for; the rest is named.
 * @param boosted its power is not corrected for weather
 */
export function judgePulls<One extends PullMade & { at?: string }>(
  pulls: readonly One[],
  { boosted }: { boosted: boolean },
): JudgedPulls<One> {
  const left = pulls.flatMap((pull) =>
    pull.conditions?.warmUp ? [{ pull, why: 'Driven for warming: it does not count.' }] : [],
  )
  const counted = pulls.filter((pull) => !pull.conditions?.warmUp)
  const of = (when: PullMade['when']) => counted.filter((pull) => pull.when === when)
  const [before, after] = [of('before'), of('after')]
  return { before, after, left, notes: notesOf(pulls, counted, before, after, boosted) }
}

function notesOf<One extends PullMade & { at?: string }>(
  all: readonly One[],
  counted: readonly One[],
  before: readonly One[],
  after: readonly One[],
  boosted: boolean,
): string[] {
  const notes: string[] = []
  const values = (of: readonly One[], field: keyof PullConditions) =>
    of.flatMap(({ conditions }) => {
      const value = conditions?.[field]
      return typeof value === 'number' ? [value] : []
    })
  const range = (field: keyof PullConditions) => {
    const list = values(counted, field)
    return list.length < 2 ? null : { low: Math.min(...list), high: Math.max(...list) }
  }
  const both = before.length > 0 && after.length > 0
  for (const [field, name] of [
    ['intakeC', 'Intake air'],
    ['oilC', 'Oil'],
  ] as const) {
    const found = range(field)
    if (found && found.high - found.low > alikeK)
      notes.push(
        `${name} from ${found.low} to ${found.high} °C: more than ${alikeK} K apart, the warmer pulls lose by it.`,
      )
  }
  const hot = values(counted, 'exhaustC').filter((value) => value >= coolC)
  if (hot.length > 0)
    notes.push(`${hot.length} began with the exhaust at ${coolC} °C or more: let it cool before each.`)
  if (counted.some(({ conditions }) => conditions?.locked === false))
    notes.push('The converter was not locked in all of them: what it takes is in the figures.')
  for (const [of, name] of [
    [before, 'on stock'],
    [after, 'with the kit'],
  ] as const) {
    const said = new Set(of.flatMap(({ conditions }) => conditions?.direction ?? []))
    if (said.size === 1) notes.push(`Pulls ${name} in one direction only: wind and slope are in them.`)
  }
  const wind = Math.max(0, ...values(counted, 'windKmh'))
  if (wind >= windKmh) notes.push(`Wind of ${wind} km/h: at 100 km/h that moves the drag by a fifth for each 10.`)
  if (!both) return notes
  const gears = (of: readonly One[]) => [...new Set(of.flatMap(({ conditions }) => conditions?.gear ?? []))].join(', ')
  if (gears(before) !== '' && gears(after) !== '' && gears(before) !== gears(after))
    notes.push(
      `Gear ${gears(before)} on stock, ${gears(after)} with the kit: a shorter gear shows less, more of it goes into what turns.`,
    )
  const means = (field: keyof PullConditions) =>
    [before, after].map((of) => {
      const list = values(of, field)
      return list.length === 0 ? null : list.reduce((sum, one) => sum + one, 0) / list.length
    })
  const [tyreBefore, tyreAfter] = means('tyreHeightM')
  if (tyreBefore && tyreAfter && Math.abs(tyreAfter / tyreBefore - 1) > tyrePart)
    notes.push(
      `The tyres differ by ${(100 * (tyreAfter / tyreBefore - 1)).toFixed(1)} %: a road speed counted at the wheels is off by as much, and power with it.`,
    )
  const [massBefore, massAfter] = means('massKg')
  if (massBefore && massAfter && Math.abs(massAfter / massBefore - 1) > massPart)
    notes.push(
      `It weighed ${Math.round(massBefore)} kg and ${Math.round(massAfter)} kg: each is worked out with its own.`,
    )
  const [dryBefore, dryAfter] = means('pressureKPa')
  const [coldBefore, coldAfter] = means('outsideC')
  const pressure = dryBefore && dryAfter ? Math.abs(dryAfter - dryBefore) : 0
  const warmth = coldBefore != null && coldAfter != null ? Math.abs(coldAfter - coldBefore) : 0
  if (pressure > weatherKPa || warmth > alikeK)
    notes.push(
      `The weather differs by ${[pressure > weatherKPa ? `${pressure.toFixed(1)} kPa` : '', warmth > alikeK ? `${Math.round(warmth)} K` : ''].filter(Boolean).join(' and ')}${boosted ? ': no correction is for a boosted engine, so only pulls of one day compare.' : ': it counts only where a correction was taken.'}`,
    )
  const times = counted.map(({ at }) => Date.parse(at ?? '')).filter(Number.isFinite)
  if (Math.max(...times) - Math.min(...times) > sameDayMs && boosted)
    notes.push('They are not of one day: fuel, air and load may differ. Pulls of one day compare.')
  const order = all.filter(({ conditions }) => !conditions?.warmUp).map(({ when }) => when)
  if (order.indexOf('after') > order.lastIndexOf('before'))
    notes.push('Stock was not driven again after it: what drifted meanwhile is in the gain.')
  return notes
}
