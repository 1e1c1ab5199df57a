import {
  machineIndex,
  sourceOf,
  type CavityPlace,
  type Kit,
  type Machine,
  type MeterState,
  type Wire,
  type NetId,
} from '../dossiers/index.ts'
import { type Connection, plannedConnections, proposeMatches } from '../wiring/index.ts'
import { fittings, shippedMachines } from '../wiring/shippedCase.ts'
import { buildCircuit } from './buildCircuit.ts'
import { busOf, dividers, sensorOf } from './sensorCase.ts'
import type { CircuitFault, CircuitReading, FittedKit, ProbePlace } from './model.ts'

/** What a meter should show with a fault, by hand: a range, or nothing that could be shown. */
export type Expected = { low: number; high: number } | 'floating or nothing'

/** One fault on one machine: what is wrong, where it is measured, and what it should show by hand. */
export interface FaultRow {
  fault: string
  state: MeterState
  red: ProbePlace
  black?: ProbePlace
  faults: CircuitFault[]
  fitted: FittedKit[]
  expected: Expected
}

/** The faults of the table, in order. Not every machine has what each one needs: a bus, a cut, a reference lead. */
export const faultNames = [
  'sensor ground open',
  '200 Ω in the sensor ground',
  'reference open',
  '500 Ω in the reference',
  'signal wire open, at the control unit',
  'signal contact open, at the plug',
  'signal on ground',
  'signal on the reference',
  'reference on the battery',
  'reference on ground',
  'relay stuck, key off',
  'fuse blown, key on',
  'wire open behind a splice',
  'the branch beside it',
  'one end of the bus off',
  'bus wires touching',
  'one half of a pair open',
  'pair mated to itself, factory plug back on',
  'halves of a cut swapped',
  'ground of the module open',
  'feed of the module open',
] as const
export type FaultName = (typeof faultNames)[number]

const metal: ProbePlace = { bare: 'metal' }
const about = (volts: number, by = 0.06): Expected => ({ low: volts - by, high: volts + by })
const nothing: Expected = { low: -0.1, high: 0.1 }
/** Ohms of one track between its reference and its ground, as drawn for every divider. */
const trackOhms = 4000

/** Rows of a machine, with the first kit that ships for it. */
export function faultRows(machine: Machine): FaultRow[] {
  const fitting = fittings.find((item) => item.machine.id === machine.id)
  return [
    ...sensorRows(machine),
    ...supplyRows(machine),
    ...busRows(machine),
    ...(fitting ? kitRows(machine, fitting.kit) : []),
  ]
}

/** What the circuit shows for a row. */
export function shownFor(machine: Machine, { state, red, black = metal, faults, fitted }: FaultRow): CircuitReading {
  return buildCircuit(machine, fitted, { state, faults }).reading(red, black)
}

const row = (fault: FaultName, given: Omit<FaultRow, 'fault' | 'fitted' | 'state'> & Partial<FaultRow>): FaultRow => ({
  state: 'key on',
  fitted: [],
  ...given,
  fault,
})

/** What may go wrong with a sensor on a reference. */
function sensorRows(machine: Machine): FaultRow[] {
  const { placesOfNet, connectors, nets } = machineIndex(machine)
  const { pin, reference, signal, ground, net, tracks, dividing, share } = sensorOf(machine)
  const wire = ({ id }: Wire, ohms: number | null): CircuitFault[] => [{ kind: 'wire', wire: id, ohms }]
  const touch = (from: ProbePlace, to: ProbePlace): CircuitFault[] => [{ kind: 'touch', from, to, ohms: 0.05 }]
  const unit = placesOfNet.get(net)?.find((place) => connectors.get(place.connector)?.ecu)
  const post = machine.studs.find((stud) => nets.get(stud.net)?.signal === 'supply-always')
  const lifted = (5 * tracks * 200) / (trackOhms + tracks * 200)
  // Only dividers draw on the reference; a thermistor in the same plug does not.
  const dropped = (5 * trackOhms) / (trackOhms + dividing * 500)
  return [
    row('sensor ground open', {
      red: pin('signal'),
      faults: wire(ground, null),
      expected: { low: 4.6, high: 5.05 },
    }),
    row('200 Ω in the sensor ground', {
      red: pin('signal'),
      faults: wire(ground, 200),
      expected: about(lifted + share * (5 - lifted)),
    }),
    row('reference open', { red: pin('signal'), faults: wire(reference, null), expected: nothing }),
    row('500 Ω in the reference', {
      red: pin('signal'),
      faults: wire(reference, 500),
      expected: about(share * dropped),
    }),
    ...(unit
      ? [
          row('signal wire open, at the control unit', {
            red: { connector: unit.connector, cavity: unit.cavity },
            faults: wire(signal, null),
            expected: nothing,
          }),
        ]
      : []),
    row('signal contact open, at the plug', {
      red: pin('signal'),
      faults: [{ kind: 'contact', ...pin('signal'), ohms: null }],
      expected: nothing,
    }),
    row('signal on ground', { red: pin('signal'), faults: touch(pin('signal'), pin('ground')), expected: nothing }),
    row('signal on the reference', {
      red: pin('signal'),
      faults: touch(pin('signal'), pin('reference')),
      expected: about(5, 0.1),
    }),
    ...(post
      ? [
          row('reference on the battery', {
            red: pin('reference'),
            faults: touch(pin('reference'), { stud: post.id }),
            expected: { low: 11.5, high: 28 },
          }),
        ]
      : []),
    row('reference on ground', { red: pin('reference'), faults: touch(pin('reference'), metal), expected: nothing }),
  ]
}

/** The key’s supply that most plugs live from; a wire of it that leads from a splice to one plug. */
function supplyRows(machine: Machine): FaultRow[] {
  const { placesOfNet, wiresOf } = machineIndex(machine)
  const switched = machine.nets.filter(({ signal, role }) => signal === 'supply-switched' && role === 'supply')
  const places = (id: NetId) => placesOfNet.get(id) ?? []
  const [supply] = [...switched].sort((a, b) => places(b.id).length - places(a.id).length)
  if (!supply) return []
  const pin = ({ connector, cavity }: CavityPlace): ProbePlace => ({ connector, cavity })
  const [first] = places(supply.id)
  const live = (is: boolean): CircuitFault[] => [{ kind: 'supply', net: supply.id, live: is }]
  const low = 11
  const index = machineIndex(machine)
  const branches = switched.flatMap((net) => {
    const source = sourceOf(machine, net, places(net.id))
    return places(net.id).flatMap((place) => {
      const wire = wiresOf.get(place.connector)?.find(({ cavity }) => cavity === place.cavity)?.wire
      const splice = wire && [wire.from, wire.to].find((end) => 'splice' in end)
      const fed = source && 'connector' in source && source.connector === place.connector
      // A plug that joins two looms leads on; what is asked for ends in a device.
      const leads = index.connectors.get(place.connector)?.mates !== undefined
      return wire && splice && 'splice' in splice && !fed && !leads ? [{ place, wire, splice: splice.splice }] : []
    })
  })
  const broken = branches.find(({ splice }) => branches.filter((other) => other.splice === splice).length > 1)
  const beside = branches.find((other) => other.splice === broken?.splice && other.wire.id !== broken.wire.id)
  const open: CircuitFault[] = broken ? [{ kind: 'wire', wire: broken.wire.id, ohms: null }] : []
  return [
    row('relay stuck, key off', { red: pin(first), faults: live(true), state: 'key off', expected: { low, high: 28 } }),
    row('fuse blown, key on', { red: pin(first), faults: live(false), expected: { low: -0.1, high: 0.4 } }),
    ...(broken && beside
      ? [
          row('wire open behind a splice', { red: pin(broken.place), faults: open, expected: 'floating or nothing' }),
          row('the branch beside it', { red: pin(beside.place), faults: open, expected: { low, high: 28 } }),
        ]
      : []),
  ]
}

function busRows(machine: Machine): FaultRow[] {
  const bus = busOf(machine)
  if (!bus) return []
  const { unit, socket } = bus
  const at = (plug: typeof unit, cavity: number): ProbePlace => ({ connector: plug.connector.id, cavity })
  const asked = { state: 'battery off' as const, red: at(socket, socket.high), black: at(socket, socket.low) }
  return [
    row('one end of the bus off', {
      ...asked,
      faults: [{ kind: 'contact', connector: unit.connector.id, cavity: unit.high, ohms: null }],
      expected: { low: 114, high: 126 },
    }),
    row('bus wires touching', {
      ...asked,
      faults: [{ kind: 'touch', from: at(unit, unit.high), to: at(unit, unit.low), ohms: 0.2 }],
      expected: { low: 0, high: 2 },
    }),
  ]
}

function kitRows(machine: Machine, kit: Kit): FaultRow[] {
  const planned = plannedConnections(machine, kit, proposeMatches(machine, kit))
  const fitted = (connections: readonly Connection[]): FittedKit[] => [{ kit, connections }]
  const without = (...ends: string[]) => planned.filter((made) => !ends.includes(made.kitEnd))
  return [
    ...pairRows(machine, kit, planned, fitted),
    ...cutRows(machine, kit, planned, fitted),
    ...powerRows(kit, fitted, without),
  ]
}

type Fitted = (connections: readonly Connection[]) => FittedKit[]

/** A pair on a plug whose wire to the control unit shows something with the key on. */
function pairRows(machine: Machine, kit: Kit, planned: readonly Connection[], fitted: Fitted): FaultRow[] {
  const { wiresOf, nets, placesOfNet, connectors } = machineIndex(machine)
  for (const end of kit.ends) {
    const made = planned.find((item) => item.kitEnd === end.id)
    if (end.type !== 'inline-pair' || !made || !('connector' in made.to)) continue
    const plug = made.to.connector
    // At the control unit's own plug a kit stands in its place: what hangs on it is still there.
    if (connectors.get(plug)?.ecu) continue
    const signal = (wiresOf.get(plug) ?? []).find(({ wire }) => dividers.includes(nets.get(wire.net)?.role ?? 'supply'))
    const unit = signal && placesOfNet.get(signal.wire.net)?.find((place) => connectors.get(place.connector)?.ecu)
    if (!unit) continue
    const red: ProbePlace = { connector: unit.connector, cavity: unit.cavity }
    const others = planned.filter((item) => item.kitEnd !== end.id)
    const bare = buildCircuit(machine, [], { state: 'key on' }).reading(red, metal)
    return [
      row('one half of a pair open', {
        red,
        faults: [],
        fitted: fitted([...others, { kitEnd: end.id, to: { connector: plug, side: 'factory' } }]),
        expected: nothing,
      }),
      row('pair mated to itself, factory plug back on', {
        red,
        faults: [],
        fitted: fitted([...others, { kitEnd: end.id, to: { kitEnd: end.id } }]),
        expected: about(bare.kind === 'volts' ? bare.volts : Number.NaN, 0.03),
      }),
    ]
  }
  return []
}

/** The two leads of a cut, each on the other half. */
function cutRows(machine: Machine, kit: Kit, planned: readonly Connection[], fitted: Fitted): FaultRow[] {
  const end = kit.ends.find((item) => item.type === 'flying-lead' && item.cut?.half === 'device')
  if (end?.type !== 'flying-lead' || !end.cut) return []
  const pair = [end.id, end.cut.partner]
  const made = planned.find((item) => item.kitEnd === end.id)
  if (!made || !('cavity' in made.to)) return []
  const { connector, cavity } = made.to
  const { wiresOf, placesOfNet, connectors } = machineIndex(machine)
  const net = wiresOf.get(connector)?.find((wire) => wire.cavity === cavity)?.wire.net
  const unit = net && placesOfNet.get(net)?.find((place) => connectors.get(place.connector)?.ecu)
  if (!unit) return []
  const swapped = planned.map((item): Connection => {
    if (!pair.includes(item.kitEnd) || !('cavity' in item.to)) return item
    return { ...item, to: { ...item.to, half: item.to.half === 'ecu' ? 'device' : 'ecu' } }
  })
  return [
    row('halves of a cut swapped', {
      red: { connector: unit.connector, cavity: unit.cavity },
      faults: [],
      fitted: fitted(swapped),
      expected: nothing,
    }),
  ]
}

/** Ground and feed of the module, each left out. */
function powerRows(kit: Kit, fitted: Fitted, without: (...ends: string[]) => Connection[]): FaultRow[] {
  const lead = (signals: readonly string[]) =>
    kit.ends.filter(
      (end) =>
        (end.type === 'flying-lead' || end.type === 'ring') &&
        signals.includes(end.wants.signal) &&
        !('reference' in end && end.reference),
    )
  const grounds = lead(['power-ground'])
  const feeds = lead(['supply-switched', 'supply-always'])
  if (grounds.length !== 1 || feeds.length === 0) return []
  return [
    row('ground of the module open', {
      red: { kitEnd: grounds[0].id },
      faults: [],
      fitted: fitted(without(grounds[0].id)),
      expected: { low: 6, high: 28 },
    }),
    row('feed of the module open', {
      red: { kitEnd: feeds[0].id },
      faults: [],
      fitted: fitted(without(...feeds.map(({ id }) => id))),
      expected: 'floating or nothing',
    }),
  ]
}

/** Every machine that ships, with its rows. */
export const faultTable = shippedMachines.map((machine) => ({ machine, rows: faultRows(machine) }))
