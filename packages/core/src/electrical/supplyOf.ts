import {
  zoneOfPlace,
  zoneAirC,
  type FlyingLead,
  type Kit,
  type Machine,
  type Net,
  type RingEnd,
  type KitEndId,
  netAt,
  netOfStud,
} from '../dossiers/index.ts'
import { currentOf, type Match } from '../wiring/index.ts'

/** How a kit gets its current, by what its loom is made of. `reference`: from the 5 V of a sensor's plug; `socket`: from the socket it is put into; `none`: nothing in the loom brings any. */
export interface Supply {
  kind: 'injectors' | 'reference' | 'control unit' | 'socket' | 'switched lead' | 'battery ring' | 'relay' | 'none'
  /** What all feeds together carry for good, A, and in the first half minute of a cold heater. */
  continuousA: number
  inrushA: number
  /** Lead or ring that carries it; the first of several. */
  feed?: FlyingLead | RingEnd
  /** All leads and rings that carry current to the kit; the lead to the coil of a relay is none of them. */
  feeds: (FlyingLead | RingEnd)[]
  /** Lead to the coil of the relay. */
  coil?: FlyingLead
  ground?: FlyingLead | RingEnd
}

/** How the kit is fed and grounded, from its own ends. */
export function supplyOf(kit: Kit): Supply {
  const { module, ends } = kit
  const carriers = ends.filter((end): end is FlyingLead | RingEnd => end.type === 'ring' || end.type === 'flying-lead')
  const rings = carriers.filter((end) => end.type === 'ring' && end.wants.signal === 'supply-always')
  const leads = carriers.filter((end) => end.wants.signal === 'supply-switched')
  const ground = carriers.find((end) => end.wants.signal === 'power-ground')
  const feeds = rings.length > 0 ? rings : leads
  const [feed] = feeds
  const continuousA = feeds.length > 0 ? milliamps(feeds.map((end) => currentOf(kit, end))) : module.supplyA
  const common = {
    continuousA,
    inrushA: Math.max(continuousA, milliamps(feeds.map((end) => end.coldA ?? currentOf(kit, end)))),
    feeds,
    ...(ground ? { ground } : {}),
  }
  const coil = leads.find((end): end is FlyingLead => end.type === 'flying-lead')
  if (rings.length > 0)
    return coil ? { kind: 'relay', ...common, feed, coil } : { kind: 'battery ring', ...common, feed }
  if (feed) return { kind: 'switched lead', ...common, feed }
  const supplied = (does: 'tap' | 'interrupt', signal: 'supply' | 'reference') =>
    ends.some(
      (end) =>
        end.type === 'inline-pair' &&
        end.lines.some((line) => line.does === does && line.wants.signal.startsWith(signal)),
    )
  if (supplied('interrupt', 'supply')) return { kind: 'control unit', ...common }
  const inSocket = ends.some(
    (end) =>
      end.type === 'inline-pair' && !end.deviceHalf && end.lines.some(({ wants }) => wants.signal.startsWith('supply')),
  )
  if (inSocket) return { kind: 'socket', ...common }
  if (supplied('tap', 'supply')) return { kind: 'injectors', ...common }
  return { kind: supplied('tap', 'reference') ? 'reference' : 'none', ...common }
}

function milliamps(amps: readonly number[]): number {
  return milli(amps.reduce((sum, value) => sum + value, 0))
}

/** To the thousandth: sums of currents and areas without the dust of binary figures. */
export const milli = (value: number) => Math.round(value * 1000) / 1000

/** As warm as the air gets where an end is joined by the plan, °C: one figure for its fuse, its drop and its sleeve. */
export function airAtEnd(
  machine: Machine,
  matches: readonly Pick<Match, 'kitEnd' | 'target'>[],
  kitEnd: KitEndId | undefined,
): number {
  const target = matches.find((match) => match.kitEnd === kitEnd)?.target
  return zoneAirC(target && ('connector' in target || 'stud' in target) ? zoneOfPlace(machine, target) : undefined)
}

/** The circuit an end is joined to by the plan. */
export function netOfMatch(machine: Machine, matches: readonly Match[], kitEnd: KitEndId): Net | undefined {
  const target = matches.find((match) => match.kitEnd === kitEnd)?.target
  if (!target) return undefined
  if ('stud' in target) return netOfStud(machine, target.stud)
  if (!('cavity' in target)) return undefined
  return netAt(machine, target.connector, target.cavity)
}
