import {
  cavityKey,
  inSentence,
  machineIndex,
  wireName,
  type Connector,
  type ConnectorId,
  type FlyingLead,
  type InlinePair,
  type Kit,
  type KitEnd,
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

/**
 * What speaks against an end at a place. The plan proposes no place of which this says a stop, and the check says the same of what
 * was made: one judgement for both.
 */
export interface PlaceVerdict {
  rule: WiringRule
  cavity?: number
  reason: string
  /** What undoes it, before the end goes where it belongs. */
  undo: string
}

/** From this current on nothing may be returned to a sensor ground: 20 mA over its thin wire shifts every reading, A. */
export const sensorGroundLimitA = 0.02

const openJoint = 'Open the joint and mend the wire.'
const airbagUndo =
  'Key off, wait ten minutes, touch nothing more there, and have it looked at by the licensed workshop.'

/** What an end draws or returns, A. A feed lead beside a battery ring only pulls the coil of its relay. */
export function currentOf(kit: Kit, end: FlyingLead | RingEnd): number {
  if (end.currentA !== undefined) return end.currentA
  if (end.reference) return 0
  if (end.wants.signal === 'supply-switched' && end.type === 'flying-lead' && hasBatteryRing(kit)) return relayCoilA
  const carries = end.wants.signal.startsWith('supply') || end.wants.signal === 'power-ground'
  return carries ? kit.module.supplyA : 0
}

/** Coil of the small relay that fits all this, A. */
export const relayCoilA = 0.15

function hasBatteryRing(kit: Kit): boolean {
  return kit.ends.some((end) => end.type === 'ring' && end.wants.signal === 'supply-always')
}

/** Leads of a kit that take their current from one switched circuit, together, A. */
export function feedCurrentOf(kit: Kit, ends: readonly KitEnd[]): number {
  return ends.reduce(
    (sum, end) =>
      (end.type === 'flying-lead' || end.type === 'ring') && end.wants.signal === 'supply-switched'
        ? sum + currentOf(kit, end)
        : sum,
    0,
  )
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
        reason: `${plug} carries airbag circuits: nothing is joined in it, whatever the wire.`,
        undo: `Key off, wait ten minutes, take ${end.name} off without touching the yellow sheath.`,
      },
    ]
  if (end.intoSpare && !wire) {
    const cavity = connector?.cavities.find((item) => item.number === at.cavity)
    return cavity && !cavity.blank && cavity.spare === end.wants.role
      ? []
      : [{ rule: 'no-wire', reason: `Nothing reads cavity ${at.cavity} of ${plug}.`, undo: 'Take the pin out.' }]
  }
  if (!wire || !net)
    return [{ rule: 'no-wire', reason: `Cavity ${at.cavity} of ${plug} has no wire.`, undo: 'Take it out.' }]
  if (end.intoSpare)
    return [
      {
        rule: 'pin-occupied',
        reason: `Cavity ${at.cavity} holds ${inSentence(net.name)} already; a pin cannot be added there.`,
        undo: 'Take the pin out.',
      },
    ]
  if (net.role === 'airbag')
    return [
      {
        rule: 'airbag-circuit',
        reason: `${net.name} belongs to the airbag: it can fire in your face.`,
        undo: airbagUndo,
      },
    ]
  if (isHighVoltage(net))
    return [
      {
        rule: 'barred-circuit',
        reason: `${net.name} is never pierced: its drive swings far above battery voltage.`,
        undo: 'Mend the wire with a sealed sleeve.',
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
        reason: `This is ${wireName(wire.colour)}, ${inSentence(net.name)}. Wanted is ${wireName(sheet.colour)}: base and stripe are swapped.`,
        undo: openJoint,
      },
    ]
  if (end.wants.track !== undefined && net.track !== end.wants.track && net.role === end.wants.role)
    return [
      {
        rule: 'wrong-track',
        reason: `This is ${inSentence(net.name)}; ${end.name} wants track ${end.wants.track}.`,
        undo: openJoint,
      },
    ]
  return [wrongWire(end, net)]
}

function wrongWire(end: FlyingLead, net: Net): PlaceVerdict {
  return {
    rule: 'wrong-wire',
    reason: `This wire carries ${inSentence(net.name)}; ${end.name} wants ${end.wants.role.replaceAll('-', ' ')}.`,
    undo: openJoint,
  }
}

/** Injector and coil drives, and whatever else swings far above battery voltage. */
export function isHighVoltage(net: Net): boolean {
  return net.signal === 'coil-drive' || net.signal === 'injector-drive' || net.highVoltage === true
}

/** Purposes of a switched supply that is live as long as the key is on. */
const steadyFeeds: readonly Net['role'][] = ['supply', 'lamp']

/** A circuit as a switched feed. @returns null where it is none at all and other rules say so */
export function judgeFeed(net: Net, end: { name: string }, currentA: number): PlaceVerdict[] | null {
  if (net.signal === 'supply-always')
    return [
      {
        rule: 'feed-always-live',
        reason: `${net.name} is live with the key off: the module would never sleep.`,
        undo: 'Open the joint and mend the wire; the feed belongs to a circuit that dies with the key.',
      },
    ]
  if (net.signal !== 'supply-switched') return null
  if (net.role === 'brake-lamp')
    return [
      { rule: 'feed-brake-lamp', reason: `${net.name} is live only while braking: never a feed.`, undo: openJoint },
    ]
  if (net.electronic)
    return [
      {
        rule: 'feed-electronic',
        reason: `${net.name} is driven by electronics that watch their load: it takes neither a tap nor a relay coil.`,
        undo: openJoint,
      },
    ]
  if (!steadyFeeds.includes(net.role))
    return [
      {
        rule: 'feed-part-time',
        reason: `${net.name} is live only while that is in use: the module would lose its feed.`,
        undo: openJoint,
      },
    ]
  if (net.spareA === undefined)
    return currentA > 0
      ? [
          {
            rule: 'feed-spare-unknown',
            reason: `Nobody wrote down what ${inSentence(net.name)} can spare; ${end.name} takes ${currentA} A.`,
            undo: 'Read its fuse and what hangs on it before the load goes on.',
          },
        ]
      : []
  return currentA > net.spareA
    ? [
        {
          rule: 'feed-over-spare',
          reason: `${net.name} has ${net.spareA} A to spare; ${end.name} takes ${currentA} A.`,
          undo: 'Let a relay carry the load, or take another circuit.',
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
          reason: `${name} is live. A ground on it is a dead short.`,
          undo: 'Battery negative off now, and take it off.',
        },
      ]
    case 'power-ground':
      return end.reference
        ? [
            {
              rule: 'reference-on-power',
              reason: `${end.name} is the reference of a measurement; ${inSentence(name)} moves with every load on it.`,
              undo: 'Take it off; a reference belongs to a sensor ground.',
            },
          ]
        : []
    case 'sensor-ground': {
      const current = currentOf(kit, end)
      return current > sensorGroundLimitA
        ? [
            {
              rule: 'ground-sensor',
              reason: `${name} is the reference of the sensors; ${current} A through it would shift every reading.`,
              undo: 'Take it off; it belongs to a power ground.',
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
            reason: `The eye of ${end.holeMm} mm does not go over M${stud.threadMm}.`,
            undo: 'Crimp on an eye of the right size; do not drill it.',
          },
        ]
      : []),
  ]
}

function ringVerdict(kit: Kit, end: RingEnd, signal: Net['signal'], stud: string, net: Net): PlaceVerdict[] {
  if (signal === 'unknown') return []
  const wrongStud: PlaceVerdict = {
    rule: 'wrong-stud',
    reason: `${stud} carries ${inSentence(net.name)}; ${end.name} wants ${end.wants.signal.replaceAll('-', ' ')}.`,
    undo: 'Take it off.',
  }
  if (end.reference || end.wants.signal === 'power-ground') return groundVerdict(kit, end, signal, stud) ?? [wrongStud]
  if (end.wants.signal !== 'supply-always' && end.wants.signal !== 'supply-switched')
    return signal === end.wants.signal ? [] : [wrongStud]
  if (signal === 'power-ground' || signal === 'sensor-ground')
    return [
      {
        rule: 'feed-on-ground',
        reason: `${end.name} is a feed, and ${stud} is ground: the fuse goes, or the lead burns.`,
        undo: 'Take it off.',
      },
    ]
  if (end.wants.signal === 'supply-switched')
    return judgeFeed({ ...net, name: stud }, end, currentOf(kit, end)) ?? [wrongStud]
  if (signal !== 'supply-always') return [wrongStud]
  const verdicts: PlaceVerdict[] = []
  if (end.fuseA === undefined)
    verdicts.push({
      rule: 'feed-unfused',
      reason: `${end.name} has no fuse: a rubbed-through lead burns the machine.`,
      undo: 'Fit a holder within 200 mm of the post; the fuse goes in last.',
    })
  if (!kit.module.sleeps && !hasRelay(kit))
    verdicts.push({
      rule: 'feed-always-live',
      reason: `${end.name} stays live with the key off and the ${kit.module.name} draws ${kit.module.idleMa} mA without ever sleeping: a flat battery within days.`,
      undo: 'Let a relay switch it: its coil lead on a circuit that dies with the key.',
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
        reason: `${end.name} has ${pinCount(end)} pins, ${connector.name} has ${pinCount(connector)}.`,
        undo: 'Take it off.',
      },
    ]
  const verdicts: PlaceVerdict[] =
    end.factoryHalf.gender === connector.gender
      ? [
          {
            rule: 'genders-clash',
            reason: `The ${connector.gender} terminals of ${connector.name} cannot mate with ${end.factoryHalf.gender} ones.`,
            undo: 'Turn the pair round, or use the other half.',
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
        reason: `${connector.name} belongs to the airbag: it can fire in your face.`,
        undo: airbagUndo,
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
        reason: `Cavity ${wrong.line.cavity} of ${connector.name} carries ${wrong.net ? inSentence(wrong.net.name) : 'nothing'}; ${end.name} works on ${wrong.line.wants.role.replaceAll('-', ' ')} there.`,
        undo: `Take ${end.name} off.`,
      },
    ]
  for (const { line, net } of nets) {
    const other = net && likeButOther(kit, end, line, net)
    if (other) return [...verdicts, other]
  }
  return verdicts
}

/** The right kind of plug, of another cylinder, row or track. */
function likeButOther(kit: Kit, end: InlinePair, { cavity, wants }: PairLine, net: Net): PlaceVerdict | null {
  const undo = `Take ${end.name} off.`
  if (wants.row !== undefined && net.row !== wants.row)
    return {
      rule: 'wrong-row',
      cavity,
      reason: `This is ${inSentence(net.name)}; ${end.name} is for the ${wants.row} row.`,
      undo,
    }
  if (wants.track !== undefined && net.track !== wants.track)
    return {
      rule: 'wrong-track',
      cavity,
      reason: `Cavity ${cavity} carries ${inSentence(net.name)}; ${end.name} wants track ${wants.track} there.`,
      undo,
    }
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
    reason: `This is ${inSentence(net.name)}; ${end.name} is for number ${wants.cylinder}.`,
    undo,
  }
}
