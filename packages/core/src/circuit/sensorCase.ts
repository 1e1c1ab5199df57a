import {
  deviceRole,
  machineIndex,
  type Connector,
  type Machine,
  type NetId,
  type SignalKind,
  type SignalRole,
  type Wire,
  type ConnectorId,
} from '../dossiers/index.ts'
import { outputShare } from './deviceFigures.ts'

/** A sensor of a machine that lives on a 5 V reference, with its wires. */
export interface Sensor {
  machine: Machine
  connector: ConnectorId
  reference: Wire
  signal: Wire
  ground: Wire
  pin: (what: 'reference' | 'signal' | 'ground') => { connector: ConnectorId; cavity: number }
  /** How many tracks hang on the one ground. */
  tracks: number
  /** How many of them divide the reference; a thermistor in the same plug does not. */
  dividing: number
  net: NetId
  /** Share of the reference it gives with the key on. */
  share: number
}

/** A plug with one reference, one sensor ground and a signal that is their divider; pressure sensors first. */
export function sensorOf(machine: Machine): Sensor {
  const { wiresOf, nets } = machineIndex(machine)
  const byWire = machine.nets.some((net) => net.role === 'throttle-motor')
  const found = machine.connectors.flatMap((connector): (Sensor & { role: SignalRole })[] => {
    if (connector.ecu) return []
    const wires = wiresOf.get(connector.id) ?? []
    const of = (signal: SignalKind) => wires.filter(({ wire }) => nets.get(wire.net)?.signal === signal)
    const [reference, signals, ground] = [of('reference-5v'), of('analogue-0-5'), of('sensor-ground')]
    const signal = signals.at(0)
    const net = signal && nets.get(signal.wire.net)
    if (reference.length !== 1 || ground.length !== 1 || !net || !dividers.includes(net.role)) return []
    const cavities = { reference: reference[0].cavity, signal: signal.cavity, ground: ground[0].cavity }
    return [
      {
        machine,
        connector: connector.id,
        reference: reference[0].wire,
        signal: signal.wire,
        ground: ground[0].wire,
        pin: (what) => ({ connector: connector.id, cavity: cavities[what] }),
        share: outputShare(net, byWire, 'key on'),
        tracks: signals.length,
        dividing: signals.filter(({ wire }) => dividers.includes(nets.get(wire.net)?.role ?? 'supply')).length,
        net: net.id,
        role: net.role,
      },
    ]
  })
  const best = found.sort((a, b) => dividers.indexOf(a.role) - dividers.indexOf(b.role)).at(0)
  if (!best) throw new Error(`${machine.id} has no such sensor`)
  return best
}
/** Roles of sensors that divide a reference, pressure first. */
export const dividers: readonly SignalRole[] = [
  'manifold-pressure',
  'boost-pressure',
  'rail-pressure',
  'throttle-position',
  'pedal-position',
]

export interface BusPlug {
  connector: Connector
  high: number
  low: number
}

/** The bus at a control unit and at the diagnostic socket; null for a machine without either. */
export function busOf(machine: Machine): { unit: BusPlug; socket: BusPlug } | null {
  const { wiresOf, nets } = machineIndex(machine)
  const both = machine.connectors.flatMap((connector): BusPlug[] => {
    const wires = wiresOf.get(connector.id) ?? []
    const of = (signal: SignalKind) => wires.find(({ wire }) => nets.get(wire.net)?.signal === signal)?.cavity
    const [high, low] = [of('bus-high'), of('bus-low')]
    return high !== undefined && low !== undefined ? [{ connector, high, low }] : []
  })
  const unit = both.find(({ connector }) => connector.ecu)
  const socket = both.find(({ connector }) => deviceRole(connector) === 'diagnostic socket')
  return unit && socket ? { unit, socket } : null
}
