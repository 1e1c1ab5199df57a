import { failure, success, type Outcome } from '../shared/index.ts'

/** The module's own value and one that does not come from it, of the same thing. */
export interface TwoValues {
  module: number
  independent: number
}

export type AuthorityAsked =
  | { kind: 'connection'; samples: readonly TwoValues[]; tolerance: number }
  | {
      kind: 'level'
      stock: TwoValues
      level: TwoValues
      /** What the level adds by its dossier. */
      stepDeclared: number
      tolerance: number
      /** Coolant, speed and load were as the module's gate wants them. */
      gateMet: boolean
    }
  | {
      kind: 'mute'
      rpmBefore: number
      channels: readonly { channel: number; rpmMuted: number; cylinderThatDropped: number | null }[]
    }

export interface AuthorityVerdict {
  verdict: 'pass' | 'bypassed' | 'crossed' | 'sensor' | 'unclear'
  reason: string
  /** Channels with the cylinders that answered, where those are others. */
  pairs?: [channel: number, cylinder: number][]
}

/** A cylinder that is muted takes at least so much of the speed along. */
export const dropShare = 0.04
/** What proves that two values move together is at least so many times the tolerance. */
const movedTimes = 4

/** Whether a module has a hand on the engine, or only seems to. */
export function judgeAuthority(asked: AuthorityAsked): Outcome<AuthorityVerdict> {
  switch (asked.kind) {
    case 'connection':
      return connection(asked)
    case 'level':
      return level(asked)
    case 'mute':
      return mute(asked)
  }
}

const say = (verdict: AuthorityVerdict['verdict'], reason: string) => success<AuthorityVerdict>({ verdict, reason })

function badTolerance(tolerance: number): Outcome<never> | null {
  return Number.isFinite(tolerance) && tolerance > 0
    ? null
    : failure({ code: 'out-of-range', path: 'tolerance', message: 'A tolerance is more than nothing.' })
}

function connection({
  samples,
  tolerance,
}: Extract<AuthorityAsked, { kind: 'connection' }>): Outcome<AuthorityVerdict> {
  const wrong = badTolerance(tolerance)
  if (wrong) return wrong
  if (samples.length < 2)
    return say('unclear', 'One pair of values shows no movement: raise the engine speed and read both again.')
  const range = (values: readonly number[]) => Math.max(...values) - Math.min(...values)
  const apart = samples.map(({ module, independent }) => module - independent)
  const [own, other] = [
    range(samples.map(({ module }) => module)),
    range(samples.map(({ independent }) => independent)),
  ]
  const moved = movedTimes * tolerance - 1e-9
  if (own < moved && other < moved)
    return say('unclear', 'Nothing moved enough to tell: raise the engine speed until both should change.')
  if (other >= moved && own <= tolerance)
    return say('bypassed', 'The other value moves and the module’s stands still: it does not see the engine.')
  if (apart.every((difference) => Math.abs(difference) <= tolerance + 1e-9))
    return say('pass', 'Both values agree, and move together.')
  if (range(apart) <= 2 * tolerance + 1e-9)
    return say('sensor', 'They move together and stay apart by the same: one of the two sensors, or its scale, is off.')
  return say('unclear', 'They neither agree nor stand still: read both at the same moment, and once more.')
}

function level(asked: Extract<AuthorityAsked, { kind: 'level' }>): Outcome<AuthorityVerdict> {
  const { stock, stepDeclared, tolerance, gateMet } = asked
  const wrong = badTolerance(tolerance)
  if (wrong) return wrong
  if (!gateMet)
    return say(
      'unclear',
      'The module’s gate was not open (coolant, speed, load): a level adds nothing then. Run it loaded once more.',
    )
  const atStock = stock.module - stock.independent
  const atLevel = asked.level.module - asked.level.independent
  if (Math.abs(atStock) > tolerance + 1e-9)
    return say('sensor', 'The two differ at stock already: a sensor or its scale is off.')
  const asDeclared = Math.abs(atLevel - stepDeclared) <= tolerance + 1e-9
  const nothing = Math.abs(atLevel) <= tolerance + 1e-9
  if (asDeclared && !nothing) return say('pass', 'At the level the two differ by what it adds.')
  if (nothing && !asDeclared)
    return say('bypassed', 'At the level the two still agree: what the module adds does not reach the engine.')
  return say(
    'unclear',
    asDeclared
      ? 'What the level adds is within the tolerance: a larger level, or a finer reading, tells.'
      : 'The difference is neither none nor what the level adds: read it once more under a steady load.',
  )
}

function mute({ rpmBefore, channels }: Extract<AuthorityAsked, { kind: 'mute' }>): Outcome<AuthorityVerdict> {
  if (!Number.isFinite(rpmBefore) || rpmBefore <= 0)
    return failure({ code: 'out-of-range', path: 'rpmBefore', message: 'The engine runs before a channel is muted.' })
  if (channels.length === 0) return say('unclear', 'No channel was muted.')
  const drops = channels.map((item) => ({ ...item, drop: rpmBefore - item.rpmMuted >= dropShare * rpmBefore - 1e-9 }))
  const without = drops.filter(({ drop }) => !drop)
  if (without.length === drops.length)
    return say('bypassed', 'No channel takes speed along when it is muted: the module is not in the way of the fuel.')
  const pairs = drops.flatMap(({ drop, channel, cylinderThatDropped }): [number, number][] =>
    drop && cylinderThatDropped !== null && cylinderThatDropped !== channel ? [[channel, cylinderThatDropped]] : [],
  )
  const crossed = pairs.map(([channel, cylinder]) => `channel ${channel} is on cylinder ${cylinder}`).join(', ')
  if (without.length > 0)
    return success({
      verdict: 'unclear',
      reason: `Nothing drops with channel ${without.map(({ channel }) => channel).join(', ')}${crossed === '' ? '' : `; ${crossed}`}: look at its pair, and mute it once more.`,
      ...(pairs.length > 0 ? { pairs } : {}),
    })
  if (pairs.length > 0) return success({ verdict: 'crossed', reason: `Crossed: ${crossed}.`, pairs })
  return say('pass', 'Every channel takes its own cylinder along.')
}
