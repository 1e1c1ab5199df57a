import {
  cavityKey,
  machineIndex,
  ownKit,
  wireName,
  type Connector,
  type ConnectorId,
  type FlyingLead,
  type InlinePair,
  type Kit,
  type Machine,
  type Net,
  type PairLine,
  type RingEnd,
  type Stud,
} from '../dossiers/index.ts'
import { wireConfusion } from './colourDistance.ts'

import { carriesAirbag, pinCount, pinsApart } from './pins.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import { sortParts } from './sortParts.ts'
import type { RuleCase } from './words.ts'
import { sameTrack } from './sameTrack.ts'

/**
 * What speaks against an end at a place. The plan proposes no place of which this says a stop, and the check says the same of what
 * was made: one judgement for both.
 */
export type PlaceVerdict = RuleCase & { cavity?: number }

/** From this current on nothing may be returned to a sensor ground: 20 mA over its thin wire shifts every reading, A. */
export const sensorGroundLimitA = 0.02

/** What an end draws or returns, A. A feed lead beside a battery ring only pulls the coil of its relay. */
export function currentOf(kit: Kit, end: FlyingLead | RingEnd): number {
  if (end.currentA !== undefined) return end.currentA
  if (end.reference) return 0
  const own = ownKit(kit, end.id)
  if (end.wants.signal === 'supply-switched' && end.type === 'flying-lead' && hasBatteryRing(own)) return relayCoilA
  const carries = end.wants.signal.startsWith('supply') || end.wants.signal === 'power-ground'
  return carries ? own.module.supplyA : 0
}

/** Coil of the small relay that fits all this, A. */
export const relayCoilA = 0.15

function hasBatteryRing(kit: Kit): boolean {
  return kit.ends.some((end) => end.type === 'ring' && end.wants.signal === 'supply-always')
}

export function isStop(verdict: { rule: WiringRule }): boolean {
  return wiringRules[verdict.rule].severity === 'stop'
}

/** A flying lead at a cavity. */
export function judgeLead(
  machine: Machine,
  kit: Kit,
  end: FlyingLead,
  at: { connector: ConnectorId; cavity: number },
): PlaceVerdict[] {
  const index = machineIndex(machine)
  const connector = index.connectors.get(at.connector)
  const wire = index.wireInCavity.get(cavityKey(at.connector, at.cavity))
  const net = wire && index.nets.get(wire.net)
  const plug = connector?.name ?? at.connector
  if (carriesAirbag(machine, at.connector) && net?.role !== 'airbag')
    return [
      {
        rule: 'airbag-circuit',
        facts: { end: end.name, circuit: null, plug },
      },
    ]
  if (end.intoSpare && !wire) {
    const cavity = connector?.cavities.find((item) => item.number === at.cavity)
    return cavity && !cavity.blank && cavity.spare === end.wants.role
      ? []
      : [{ rule: 'no-wire', facts: { plug, cavity: at.cavity, pin: true } }]
  }
  if (!wire || !net) return [{ rule: 'no-wire', facts: { plug, cavity: at.cavity, pin: false } }]
  if (end.intoSpare)
    return [
      {
        rule: 'pin-occupied',
        facts: { cavity: at.cavity, circuit: net.name, methods: null },
      },
    ]
  if (net.role === 'airbag')
    return [
      {
        rule: 'airbag-circuit',
        facts: { end: end.name, circuit: net.name, plug },
      },
    ]
  if (isHighVoltage(net))
    return [
      {
        rule: 'barred-circuit',
        facts: { circuit: net.name },
      },
    ]
  const supply =
    end.wants.signal === 'supply-switched' ? judgeFeed(net, end, currentOf(kit, end)) : judgeGround(kit, end, net)
  if (supply !== null) return supply
  const parts = sortParts(end.wants, net)
  if (parts.length === 0 || net.signal === 'unknown' || net.role === 'unknown') return []
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (sheet && wireConfusion(sheet.colour, wire.colour) === 'swapped')
    return [
      {
        rule: 'stripe-swapped',
        facts: { colour: wireName(wire.colour), circuit: net.name, wanted: wireName(sheet.colour) },
      },
    ]
  if (end.wants.track !== undefined && !sameTrack(end.wants, net) && net.role === end.wants.role)
    return [
      {
        rule: 'wrong-track',
        facts: { end: end.name, circuit: net.name, track: end.wants.track, cavity: null },
      },
    ]
  if (end.wants.bank !== undefined && net.bank !== end.wants.bank && net.role === end.wants.role)
    return [{ rule: 'wrong-bank', facts: { end: end.name, circuit: net.name, bank: end.wants.bank } }]
  return [wrongWire(end, net)]
}

function wrongWire(end: FlyingLead, net: Net): PlaceVerdict {
  return {
    rule: 'wrong-wire',
    facts: { end: end.name, circuit: net.name, wants: end.wants.role },
  }
}

/** Injector and coil drives, and whatever else swings far above battery voltage. */
export function isHighVoltage(net: Net): boolean {
  return net.signal === 'coil-drive' || net.signal === 'injector-drive' || net.highVoltage === true
}

/** Purposes of a switched supply that is live as long as the key is on. */
const steadyFeeds: readonly Net['role'][] = ['supply', 'lamp']

/** A blade fuse carries its own current for long only when the load is this much less. */
const fuseShare = 1.35

/** A circuit as a switched feed. @returns null where it is none at all and other rules say so */
export function judgeFeed(net: Net, end: { name: string }, currentA: number): PlaceVerdict[] | null {
  if (net.signal === 'supply-always')
    return [
      {
        rule: 'feed-always-live',
        facts: { end: end.name, circuit: net.name, module: null, idleMa: null },
      },
    ]
  if (net.signal !== 'supply-switched') return null
  if (net.role === 'brake-lamp') return [{ rule: 'feed-brake-lamp', facts: { circuit: net.name } }]
  if (net.electronic)
    return [
      {
        rule: 'feed-electronic',
        facts: { circuit: net.name },
      },
    ]
  if (!steadyFeeds.includes(net.role))
    return [
      {
        rule: 'feed-part-time',
        facts: { circuit: net.name },
      },
    ]
  if (net.spareA === undefined && net.fuseA !== undefined && currentA * fuseShare > net.fuseA)
    return [
      {
        rule: 'feed-over-fuse',
        facts: { end: end.name, circuit: net.name, amps: currentA, fuseA: net.fuseA, carriesA: net.fuseA / fuseShare },
      },
    ]
  if (net.spareA === undefined)
    return currentA > 0
      ? [
          {
            rule: 'feed-spare-unknown',
            facts: { end: end.name, circuit: net.name, amps: currentA },
          },
        ]
      : []
  return currentA > net.spareA
    ? [
        {
          rule: 'feed-over-spare',
          facts: { ends: [end.name], circuit: net.name, amps: currentA, spareA: net.spareA },
        },
      ]
    : []
}

/** A lead that is a ground, or the reference of a measurement. @returns null where it is neither */
function judgeGround(kit: Kit, end: FlyingLead, net: Net): PlaceVerdict[] | null {
  if (end.reference || end.wants.signal === 'power-ground') {
    const said = groundVerdict(kit, end, net.signal, net.name)
    return said === null ? null : said
  }
  return null
}

/** @returns null where the circuit is no ground and no supply, and other rules say so */
function groundVerdict(
  kit: Kit,
  end: FlyingLead | RingEnd,
  signal: Net['signal'],
  name: string,
): PlaceVerdict[] | null {
  switch (signal) {
    case 'supply-always':
    case 'supply-switched':
    case 'reference-5v':
      return [
        {
          rule: 'ground-live',
          facts: { place: name },
        },
      ]
    case 'power-ground':
      return end.reference
        ? [
            {
              rule: 'reference-on-power',
              facts: { end: end.name, place: name },
            },
          ]
        : []
    case 'sensor-ground': {
      const current = currentOf(kit, end)
      return current > sensorGroundLimitA
        ? [
            {
              rule: 'ground-sensor',
              facts: { place: name, amps: current },
            },
          ]
        : []
    }
    default:
      return null
  }
}

/**
 * A ring on a stud: every kind of ring against every kind of stud.
 * @param fuseA in its lead, where another is in it than the kit's own
 */
export function judgeRing(machine: Machine, kit: Kit, own: RingEnd, stud: Stud, fuseA = own.fuseA): PlaceVerdict[] {
  const end: RingEnd = { ...own, ...(fuseA === undefined ? {} : { fuseA }) }
  const net = machineIndex(machine).nets.get(stud.net)
  if (!net) return []
  return [
    ...ringVerdict(kit, end, net.signal, stud.name, net),
    ...(end.holeMm < stud.threadMm
      ? [
          {
            rule: 'ring-size' as const,
            facts: { holeMm: end.holeMm, threadMm: stud.threadMm },
          },
        ]
      : []),
  ]
}

function ringVerdict(kit: Kit, end: RingEnd, signal: Net['signal'], stud: string, net: Net): PlaceVerdict[] {
  if (signal === 'unknown') return []
  const wrongStud: PlaceVerdict = {
    rule: 'wrong-stud',
    facts: { end: end.name, stud, circuit: net.name, wants: end.wants.signal },
  }
  if (end.reference || end.wants.signal === 'power-ground') return groundVerdict(kit, end, signal, stud) ?? [wrongStud]
  if (end.wants.signal !== 'supply-always' && end.wants.signal !== 'supply-switched')
    return signal === end.wants.signal ? [] : [wrongStud]
  if (signal === 'power-ground' || signal === 'sensor-ground')
    return [
      {
        rule: 'feed-on-ground',
        facts: { end: end.name, stud },
      },
    ]
  if (end.wants.signal === 'supply-switched')
    return judgeFeed({ ...net, name: stud }, end, currentOf(kit, end)) ?? [wrongStud]
  if (signal !== 'supply-always') return [wrongStud]
  const verdicts: PlaceVerdict[] = []
  if (end.fuseA === undefined) verdicts.push({ rule: 'feed-unfused', facts: { end: end.name } })
  if (!kit.module.sleeps && !hasRelay(kit))
    verdicts.push({
      rule: 'feed-always-live',
      facts: { end: end.name, circuit: net.name, module: kit.module.name, idleMa: kit.module.idleMa },
    })
  return verdicts
}

/** Whether a relay stands in the feed: it lets go with the key, and while its coil is open it has not pulled at all. */
function hasRelay(kit: Kit): boolean {
  return kit.ends.some((end) => end.type === 'flying-lead' && end.wants.signal === 'supply-switched')
}

/** An inline pair at a plug. */
export function judgePair(machine: Machine, kit: Kit, end: InlinePair, connector: Connector): PlaceVerdict[] {
  if (pinsApart(end, connector) > 0)
    return [
      {
        rule: 'pins-differ',
        facts: { end: end.name, pins: pinCount(end), plug: connector.name, plugPins: pinCount(connector) },
      },
    ]
  const verdicts: PlaceVerdict[] =
    end.factoryHalf.gender === connector.gender
      ? [
          {
            rule: 'genders-clash',
            facts: { plug: connector.name, plugGender: connector.gender, gender: end.factoryHalf.gender },
          },
        ]
      : []
  const index = machineIndex(machine)
  const nets = end.lines.map((line) => {
    const wire = index.wireInCavity.get(cavityKey(connector.id, line.cavity))
    return { line, net: wire && index.nets.get(wire.net) }
  })
  if (carriesAirbag(machine, connector.id))
    return [
      ...verdicts,
      {
        rule: 'airbag-circuit',
        facts: { end: end.name, circuit: connector.name, plug: connector.name },
      },
    ]
  const wrong = nets.find(
    ({ line, net }) =>
      !net || (net.signal !== 'unknown' && (net.signal !== line.wants.signal || net.role !== line.wants.role)),
  )
  if (wrong)
    return [
      ...verdicts,
      {
        rule: 'wrong-connector',
        cavity: wrong.line.cavity,
        facts: {
          end: end.name,
          plug: connector.name,
          cavity: wrong.line.cavity,
          circuit: wrong.net?.name ?? null,
          wants: wrong.line.wants.role,
        },
      },
    ]
  for (const { line, net } of nets) {
    const other = net && likeButOther(kit, end, line, net)
    if (other) return [...verdicts, other]
  }
  return verdicts
}

/** The right kind of plug, of another cylinder, row, track or bank. */
function likeButOther(kit: Kit, end: InlinePair, { cavity, wants }: PairLine, net: Net): PlaceVerdict | null {
  if (wants.row !== undefined && net.row !== wants.row)
    return {
      rule: 'wrong-row',
      cavity,
      facts: { end: end.name, circuit: net.name, row: wants.row },
    }
  if (wants.track !== undefined && !sameTrack(wants, net))
    return {
      rule: 'wrong-track',
      cavity,
      facts: { end: end.name, circuit: net.name, track: wants.track, cavity },
    }
  if (wants.bank !== undefined && net.bank !== wants.bank)
    return { rule: 'wrong-bank', cavity, facts: { end: end.name, circuit: net.name, bank: wants.bank } }
  const mayBe = kit.ends.flatMap((other) =>
    other.type === 'inline-pair' &&
    (other === end || (end.interchangeable !== undefined && other.interchangeable === end.interchangeable))
      ? other.lines.filter((line) => line.cavity === cavity).map((line) => line.wants.cylinder)
      : [],
  )
  if (wants.cylinder === undefined || mayBe.includes(net.cylinder)) return null
  return {
    rule: 'wrong-cylinder',
    cavity,
    facts: { end: end.name, circuit: net.name, cylinder: wants.cylinder },
  }
}
