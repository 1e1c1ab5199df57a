import { success, type Outcome } from '../shared/index.ts'
import { impossible } from './figures.ts'

export interface SupplyAsked {
  batteryV: number
  /** Lead unless said. */
  chemistry?: 'lead' | 'lithium'
  /** Nothing charges it, and nothing did for a while; unless said it is so. */
  atRest?: boolean
  batteryAh: number
  /** What a charger or supply gives, A; 0: none. */
  chargerA: number
  /** What is drawn with the key on, A. */
  loadA: number
  minutes: number
  /** A control unit is programmed: what breaks off may not start again. */
  programming?: boolean
}

export interface SupplyVerdict {
  verdict: 'go' | 'wait' | 'stop'
  reason: string
}

/** Volts at rest: at most this is a stop, from that on it may go. */
const atRestV = { lead: { stop: 12.2, go: 12.6 }, lithium: { stop: 13.0, go: 13.2 } } as const
/** What a stabilised supply holds while a control unit is programmed, V. */
const stabilisedV = { low: 13.0, high: 13.8 } as const
/** Without a charger: so little for so short, and half of the battery has twice of it. */
const small = { loadA: 1, minutes: 15 } as const

/** Whether the supply lasts for an update or for programming. */
export function supplyGuard(asked: SupplyAsked): Outcome<SupplyVerdict> {
  const {
    batteryV,
    chemistry = 'lead',
    atRest = true,
    batteryAh,
    chargerA,
    loadA,
    minutes,
    programming = false,
  } = asked
  const wrong = impossible([
    {
      ...{ path: 'batteryV', value: batteryV, low: 0, high: 32, unit: 'V' },
      likely: (value) => (value > 1000 ? `In volts that is ${value / 1000}, if millivolts were meant.` : null),
    },
    { path: 'batteryAh', value: batteryAh, low: 0.5, high: 1000, unit: 'Ah' },
    { path: 'chargerA', value: chargerA, low: 0, high: 1000, unit: 'A' },
    {
      ...{ path: 'loadA', value: loadA, low: 0, high: 500, unit: 'A' },
      likely: (value) => (value > 500 ? `In amperes that is ${value / 1000}, if milliamperes were meant.` : null),
    },
    { path: 'minutes', value: minutes, low: 0, high: 10_000, unit: 'min' },
  ])
  if (wrong) return wrong
  const say = (verdict: SupplyVerdict['verdict'], reason: string) => success({ verdict, reason })
  const carried = chargerA >= loadA
  if (!atRest) {
    const held = batteryV >= stabilisedV.low && batteryV <= stabilisedV.high
    if (programming && held && carried)
      return say('go', `A stabilised supply holds ${batteryV} V and gives ${chargerA} A for ${loadA} A.`)
    return say(
      'wait',
      programming
        ? `Programming wants a stabilised supply that holds ${stabilisedV.low} to ${stabilisedV.high} V and gives at least ${loadA} A.`
        : 'Volts on charge prove nothing: take the charger off, wait, and measure at rest.',
    )
  }
  const limits = atRestV[chemistry]
  if (batteryV <= limits.stop)
    return say('stop', `${batteryV} V at rest: a ${chemistry} battery at ${limits.stop} V or less is charged first.`)
  if (batteryV < limits.go)
    return say('wait', `${batteryV} V at rest: charge it until it rests at ${limits.go} V or more.`)
  if (carried) return say('go', `${batteryV} V at rest, and ${chargerA} A from the charger carry the ${loadA} A.`)
  const hours = minutes / 60
  const lasts = batteryAh / 2 >= 2 * loadA * hours
  if (!programming && loadA <= small.loadA && minutes <= small.minutes && lasts)
    return say('go', `${batteryV} V at rest, and half of ${batteryAh} Ah is more than twice what ${minutes} min take.`)
  return say(
    'wait',
    programming
      ? `Never on the battery alone: connect a supply that gives at least ${loadA} A.`
      : `Connect a charger that gives at least ${loadA} A${lasts ? '' : ': the battery alone does not last'}.`,
  )
}
