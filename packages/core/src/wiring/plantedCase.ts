import {
  wireAt,
  machineIndex,
  type FlyingLead,
  type InlinePair,
  type Kit,
  type KitEnd,
  type Machine,
  type Net,
  type RingEnd,
  netAt,
  type ConnectorId,
  zoneOfPlace,
} from '../dossiers/index.ts'
import { wireConfusion } from './colourDistance.ts'
import type { Connection, ConnectionTarget } from './model.ts'
import type { WiringRule } from './ruleCatalogue.ts'
import { carriesAirbag, pinCount, pinsApart } from './pins.ts'
import { plannedConnections } from './plannedConnections.ts'
import { sameTarget } from './places.ts'
import type { Match } from './proposeMatches.ts'
import { sameTrack } from './sameTrack.ts'

/** One mistake a hand can make, and the rule that must see it. */
export interface Planted {
  rule: WiringRule
  end: string
  connections: Connection[]
  machine: Machine
  kit: Kit
}

type Plant = (rule: WiringRule, made: Connection[]) => void

/** Every mistake that can be made with the ends of a kit on a machine, each in an otherwise right job. */
export function plantMistakes(machine: Machine, kit: Kit, plan: readonly Match[]): Planted[] {
  const right = plannedConnections(machine, kit, plan)
  return kit.ends.flatMap((end) => {
    const planted: Planted[] = []
    const plant: Plant = (rule, made) =>
      planted.push({
        rule,
        end: end.id,
        connections: [...right.filter((connection) => connection.kitEnd !== end.id), ...made],
        machine,
        kit,
      })
    const target = plan.find((match) => match.kitEnd === end.id)?.target ?? null
    const own = right.filter((connection) => connection.kitEnd === end.id)
    commonMistakes(end, target, own, plant)
    if (end.type === 'inline-pair') pairMistakes(machine, kit, end, target, plant)
    if (end.type === 'flying-lead') leadMistakes(machine, kit, end, target, own, plant)
    if (end.type === 'ring') ringMistakes(machine, end, plant)
    if (end.type === 'vent') {
      plant('vent-open', [])
      plant('vent-closed', [{ kitEnd: end.id, to: { closed: 'cap' } }])
    }
    if (end.type === 'port')
      plant('port-wrong-closure', [{ kitEnd: end.id, to: { closed: end.closedBy === 'cap' ? 'terminator' : 'cap' } }])
    if (end.type === 'port' && kit.terminators !== undefined)
      plant('bus-terminators', [{ kitEnd: end.id, to: { closed: end.closedBy === 'cap' ? 'terminator' : 'cap' } }])
    if (end.type === 'plug')
      for (const socket of end.enters)
        if (socket !== end.into) plant('wrong-socket', [{ kitEnd: end.id, to: { kitEnd: socket }, tugged: true }])
    return planted
  })
}

function commonMistakes(end: KitEnd, target: ConnectionTarget | null, own: Connection[], plant: Plant): void {
  if (end.type === 'vent') return
  if (end.type === 'port') {
    plant('port-open', [])
    return
  }
  plant(target === null ? 'spare-open' : 'end-open', [])
  if (target === null) return
  plant('closed-but-wanted', [{ kitEnd: end.id, to: { closed: 'cap' } }])
  plant(
    'not-tugged',
    own.map((connection) => ({ ...connection, tugged: false })),
  )
}

function pairMistakes(
  machine: Machine,
  kit: Kit,
  end: InlinePair,
  target: ConnectionTarget | null,
  plant: Plant,
): void {
  plant('pair-to-itself', [{ kitEnd: end.id, to: { kitEnd: end.id } }])
  const other = kit.ends.find((item) => item.id !== end.id)
  if (other) plant('loom-to-loom', [{ kitEnd: end.id, to: { kitEnd: other.id } }])
  const stud = machine.studs[0]
  if (stud) plant('wrong-kind', [{ kitEnd: end.id, to: { stud: stud.id } }])
  if (!target || !('connector' in target)) return
  if (end.deviceHalf)
    for (const side of ['factory', 'device'] as const)
      plant('pair-one-side', [{ kitEnd: end.id, to: { connector: target.connector, side }, tugged: true }])
  const twin = kit.ends.find((item): item is InlinePair => item.type === 'inline-pair' && item.id !== end.id)
  if (twin)
    plant('plug-twice', [
      { kitEnd: end.id, to: { connector: target.connector }, tugged: true },
      { kitEnd: twin.id, to: { connector: target.connector }, tugged: true },
    ])
  const rivals = machine.connectors.filter((connector) => connector.id !== target.connector)
  const apart = rivals.find((connector) => pinsApart(end, connector) > 0)
  if (apart) plant('pins-differ', [{ kitEnd: end.id, to: { connector: apart.id }, tugged: true }])
  for (const rival of rivals) {
    if (pinsApart(end, rival) > 0 || rival.gender === end.factoryHalf.gender) continue
    const rule = rivalRule(rival.id)
    if (rule) plant(rule, [{ kitEnd: end.id, to: { connector: rival.id }, tugged: true }])
    if (rule && end.deviceHalf && pinCount(rival) === pinCount(end))
      plant('pair-split', [
        { kitEnd: end.id, to: { connector: target.connector, side: 'factory' }, tugged: true },
        { kitEnd: end.id, to: { connector: rival.id, side: 'device' }, tugged: true },
      ])
  }

  function rivalRule(connector: ConnectorId): WiringRule | null {
    const nets = end.lines.map((line) => ({
      wants: line.wants,
      net: netAt(machine, connector, line.cavity),
    }))
    if (nets.some(({ net }) => net?.role === 'airbag')) return 'airbag-circuit'
    if (nets.some(({ wants, net }) => !net || net.signal !== wants.signal || net.role !== wants.role))
      return 'wrong-connector'
    if (nets.some(({ wants, net }) => wants.row !== undefined && net?.row !== wants.row)) return 'wrong-row'
    const other = nets.find(({ wants, net }) => wants.cylinder !== undefined && net?.cylinder !== wants.cylinder)
    if (!other) return null
    const mates = kit.ends.filter(
      (mate) => mate.type === 'inline-pair' && end.interchangeable && mate.interchangeable === end.interchangeable,
    )
    const mayBe = mates.flatMap((mate) =>
      mate.type === 'inline-pair' ? mate.lines.map((line) => line.wants.cylinder) : [],
    )
    return mayBe.includes(other.net?.cylinder) ? null : 'wrong-cylinder'
  }
}

function leadMistakes(
  machine: Machine,
  kit: Kit,
  end: FlyingLead,
  target: ConnectionTarget | null,
  own: Connection[],
  plant: Plant,
): void {
  const index = machineIndex(machine)
  const stud = machine.studs[0]
  if (stud) plant('wrong-kind', [{ kitEnd: end.id, to: { stud: stud.id } }])
  const at = (connector: ConnectorId, cavity: number): Connection[] => [
    { kitEnd: end.id, to: { connector, cavity }, tugged: true },
  ]
  for (const connector of machine.connectors) {
    const empty = connector.cavities.find(
      (cavity) => !index.wireInCavity.has(`${connector.id}:${cavity.number}`) && cavity.spare === undefined,
    )
    if (empty) {
      plant('no-wire', at(connector.id, empty.number))
      break
    }
  }
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  const seen = new Set<string>()
  for (const connector of machine.connectors)
    for (const { cavity, wire } of index.wiresOf.get(connector.id) ?? []) {
      const net = index.nets.get(wire.net)
      const rule =
        net &&
        (!end.intoSpare && carriesAirbag(machine, connector.id)
          ? 'airbag-circuit'
          : wireRule(end, kit, net, sheet ? wireConfusion(sheet.colour, wire.colour) : null))
      if (!rule || seen.has(`${rule} ${wire.net}`)) continue
      seen.add(`${rule} ${wire.net}`)
      plant(rule, at(connector.id, cavity))
    }
  if (!target || !('cavity' in target)) return
  if (!end.intoSpare && !end.cut) {
    const wire = wireAt(machine, target.connector, target.cavity)
    const zone = zoneOfPlace(machine, { connector: target.connector })
    for (const tap of kit.taps) {
      if (!wire || tap.method === 'added pin') continue
      const made = own.map((connection) => ({ ...connection, method: tap.method }))
      if (wire.areaMm2 < tap.lowMm2 || wire.areaMm2 > tap.highMm2) plant('tap-size', made)
      if (tap.barred.some((condition) => zone?.conditions.includes(condition))) plant('tap-place', made)
    }
    if (own.length > 0) {
      plant(
        'method-missing',
        own.map(({ method: _method, ...connection }) => connection),
      )
      const foreign = (['displacement tap', 'solder and sleeve'] as const).find(
        (method) => !kit.taps.some((tap) => tap.method === method),
      )
      if (foreign)
        plant(
          'method-not-in-kit',
          own.map((connection) => ({ ...connection, method: foreign })),
        )
    }
    const elsewhere = (wire ? (index.placesOfNet.get(wire.net) ?? []) : []).find(
      (place) =>
        !sameTarget(place, target) && place.connector !== target.connector && !carriesAirbag(machine, place.connector),
    )
    if (elsewhere) plant('differs-from-plan', at(elsewhere.connector, elsewhere.cavity))
  }
  if (end.cut) {
    plant(
      'cut-method',
      own.map((connection) => ({ ...connection, method: 'piercing screw tap' })),
    )
    plant(
      'cut-swapped',
      own.map((connection): Connection => ({
        ...connection,
        to: { ...target, half: end.cut?.half === 'ecu' ? 'device' : 'ecu' },
      })),
    )
    const away = machine.connectors.flatMap((connector) => index.wiresOf.get(connector.id) ?? [])
    const other = away.find(
      ({ wire }) =>
        index.nets.get(wire.net)?.signal === 'analogue-0-5' &&
        wire.net !== wireAt(machine, target.connector, target.cavity)?.net,
    )
    const place = other && [other.wire.from, other.wire.to].find((item) => 'connector' in item)
    if (end.cut.half === 'device' && place && 'connector' in place)
      plant('cut-split', at(place.connector, place.cavity))
  }
}

/** The rule that a lead on a circuit must break, or null when the circuit is the one it wants. */
function wireRule(end: FlyingLead, kit: Kit, net: Net, confusion: string | null): WiringRule | null {
  if (end.intoSpare) return 'pin-occupied'
  if (net.role === 'airbag') return 'airbag-circuit'
  if (net.signal === 'coil-drive' || net.signal === 'injector-drive' || net.highVoltage) return 'barred-circuit'
  const ringed = kit.ends.some((item) => item.type === 'ring' && item.wants.signal === 'supply-always')
  const current = end.currentA ?? (end.reference ? 0 : ringed ? 0.15 : kit.module.supplyA)
  if (end.wants.signal === 'supply-switched') {
    if (net.signal === 'supply-always') return 'feed-always-live'
    if (net.signal === 'supply-switched') {
      if (net.role === 'brake-lamp') return 'feed-brake-lamp'
      if (net.electronic) return 'feed-electronic'
      if (net.role !== 'supply' && net.role !== 'lamp') return 'feed-part-time'
      if (net.spareA !== undefined && current > net.spareA) return 'feed-over-spare'
      return net.spareA === undefined ? 'feed-spare-unknown' : null
    }
  }
  if (end.reference && net.signal === 'power-ground') return 'reference-on-power'
  if (
    (end.reference || end.wants.signal === 'power-ground') &&
    ['supply-always', 'supply-switched', 'reference-5v'].includes(net.signal)
  )
    return 'ground-live'
  if (end.reference && net.signal === 'sensor-ground') return null
  const same = net.signal === end.wants.signal && net.role === end.wants.role
  const alike =
    same && sameTrack(end.wants, net) && (end.wants.cylinder === undefined || net.cylinder === end.wants.cylinder)
  if (alike) return null
  if (confusion === 'swapped') return 'stripe-swapped'
  return net.role === end.wants.role && !sameTrack(end.wants, net) ? 'wrong-track' : 'wrong-wire'
}

function ringMistakes(machine: Machine, end: RingEnd, plant: Plant): void {
  const index = machineIndex(machine)
  const plug = machine.connectors[0]
  if (plug) plant('wrong-kind', [{ kitEnd: end.id, to: { connector: plug.id } }])
  for (const stud of machine.studs) {
    const signal = index.nets.get(stud.net)?.signal
    const made: Connection[] = [{ kitEnd: end.id, to: { stud: stud.id }, tugged: true }]
    if (end.holeMm < stud.threadMm) plant('ring-size', made)
    const rule = signal && ringRule(end, signal)
    if (rule) plant(rule, made)
  }
}

/** What a ring on a stud must break, written out stud by stud. */
function ringRule(end: RingEnd, signal: Net['signal']): WiringRule | null {
  const kind = end.reference ? 'reference' : end.wants.signal
  switch (kind) {
    case 'power-ground':
      return signal === 'power-ground' || signal === 'sensor-ground' ? null : 'ground-live'
    case 'reference':
      return signal === 'sensor-ground' ? null : signal === 'power-ground' ? 'reference-on-power' : 'ground-live'
    case 'supply-always':
      return signal === 'supply-always' ? null : signal.endsWith('ground') ? 'feed-on-ground' : 'wrong-stud'
    default:
      return null
  }
}
