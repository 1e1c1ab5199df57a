import { wireAt, machineIndex, type Machine, type Net } from '../dossiers/index.ts'
import type { MeterCard } from './meterCards.ts'

export interface ReadingVerdict {
  good: boolean
  /** What the figure says. */
  says: string
  /** Likely causes, the likeliest first; empty when it is good. */
  causes: string[]
  /** The next thing to measure. */
  next: string
}

/** What a figure on a card means, why it may be off, and where to probe next. @param value in the card's unit */
export function judgeReading(machine: Machine, card: MeterCard, value: number): ReadingVerdict {
  const { low, high, unit } = card.expect
  const shown = `${Math.round(value * 100) / 100} ${unit === 'ohm' ? 'Ω' : unit}`
  if (value >= low && value <= high) return { good: true, says: `${shown}: as it should be.`, causes: [], next: '' }
  const { connector, cavity } = card.about
  const index = machineIndex(machine)
  const wire = connector === undefined || cavity === undefined ? undefined : wireAt(machine, connector, cavity)
  const net = wire && index.nets.get(wire.net)
  const { causes, next } = causesOf(card, net, value)
  return { good: false, says: `${shown} instead of ${low} to ${high}.`, causes, next }
}

function causesOf(card: MeterCard, net: Net | undefined, value: number): { causes: string[]; next: string } {
  const { state, expect } = card
  const below = value < expect.low
  if (state === 'battery off' && expect.unit === 'V')
    return {
      causes: ['the battery is still connected', 'a second battery feeds it', 'a charger or solar panel is on'],
      next: 'Both battery posts: nothing may read above 0.1 V before you go on.',
    }
  if (expect.unit === 'ohm')
    return value > 100
      ? {
          causes: ['one of the two end resistors is missing', 'a bus wire is broken', 'a control unit is unplugged'],
          next: 'The same two wires at the bus end plug.',
        }
      : {
          causes: ['a terminator too many', 'high and low touch each other'],
          next: 'Take the newest terminator out and measure again.',
        }
  if (expect.unit === 'V AC')
    return below
      ? {
          causes: ['the gap of the sensor is too wide', 'the sensor winding is open', 'this is not the crank wire'],
          next: 'The sensor with its plug off: 200 to 900 Ω across its two pins.',
        }
      : { causes: ['another wire, with battery voltage on it'], next: 'The same cavity on DC.' }
  switch (net?.signal) {
    case 'frequency':
      return {
        causes: ['no supply or reference at the pick-up', 'the tooth wheel does not pass it', 'this is another wire'],
        next: 'The supply cavity of the same plug, key on; then its ground.',
      }
    case 'supply-switched':
      return supplyCauses(state, value, below)
    case 'supply-always':
      return {
        causes: below ? ['a weak battery', 'a blown fuse', 'a corroded holder'] : ['the charger is on'],
        next: 'The battery posts themselves, then this circuit’s fuse, both sides.',
      }
    case 'reference-5v':
      return value < 0.5
        ? {
            causes: [
              'the key is off or the main relay has not pulled in',
              'the reference is shorted inside a sensor',
              'the wire is broken',
            ],
            next: 'The same wire at the next sensor; pull sensors one by one until it returns.',
          }
        : {
            causes: below ? ['a sensor pulls the reference down', 'a corroded splice'] : ['a supply wire touches it'],
            next: 'The same wire at the control unit.',
          }
    case 'power-ground':
    case 'sensor-ground':
      return {
        causes: [
          'paint or corrosion under the eye',
          'a loose nut',
          'a current on this ground that does not belong there',
        ],
        next: 'The drop from the eye to the engine block, then from the block to the battery.',
      }
    case 'analogue-0-5':
      return analogueCauses(state, value, below)
    default:
      return {
        causes: ['another wire than the one meant', 'the plug is not fully home'],
        next: 'Count the cavity again from the side you look at, then the same circuit at its other end.',
      }
  }
}

function supplyCauses(state: MeterCard['state'], value: number, below: boolean) {
  if (state === 'key off')
    return {
      causes: ['this circuit is always live', 'a relay sticks', 'the sleep time is not over yet'],
      next: 'Wait ten minutes and measure again; if it stays, take another circuit.',
    }
  if (below && value > 9)
    return {
      causes: ['a weak battery', 'a voltage drop in the feed: switch, fuse or plug'],
      next: 'The battery posts; if they read more, both sides of the fuse.',
    }
  return below
    ? { causes: ['a blown fuse', 'the key is off', 'another wire'], next: 'This circuit’s fuse, both sides.' }
    : { causes: ['the engine runs, or a charger is on'], next: 'The battery posts.' }
}

function analogueCauses(state: MeterCard['state'], value: number, below: boolean) {
  if (value < 0.1)
    return {
      causes: ['no 5 V reference at the sensor', 'the signal wire is broken or shorted to ground', 'the plug is off'],
      next: 'The reference cavity of the same plug: 4.9 to 5.1 V.',
    }
  if (value > 4.8)
    return {
      causes: ['the sensor ground is open', 'the signal touches the reference or a supply'],
      next: 'The ground cavity of the same plug against battery negative: under 0.05 V.',
    }
  if (state === 'key on' && !below && value > 3.5)
    return {
      causes: ['the signal runs the other way round', 'the throttle is not let go', 'the second track'],
      next: 'Open it slowly: a falling voltage means it is reversed.',
    }
  if (state === 'key on, fully open' && below && value < 1)
    return {
      causes: [
        'the throttle was not opened',
        'with the key only on, a by-wire blade does not follow the grip',
        'another wire',
      ],
      next: 'Move it by hand and watch: the reading must move with it.',
    }
  return {
    causes: [
      'the sensor is out of its setting or worn',
      'resistance in plug or splice',
      'another wire of the same kind',
    ],
    next: 'The reference and the ground of the same plug, then the signal at the control unit.',
  }
}
