import {
  wireAt,
  inSentence,
  machineIndex,
  wireName,
  type ConnectorId,
  type Kit,
  type Machine,
  type MeterReading,
  type Net,
  type Wire,
} from '../dossiers/index.ts'
import { wireLookalikes, type WireLookalike } from './lookalikes.ts'
import type { Connection } from './model.ts'
import { barredFromMeter, expectedReadings } from './readings.ts'

/** The answer to "what is this wire?". */
export interface WireIdentity {
  connector: ConnectorId
  cavity: number
  wire: Wire
  net: Net
  /** Every other place the circuit comes to the surface, in words. */
  elsewhere: string[]
  readings: MeterReading[]
  barred: string | null
  lookalikes: readonly WireLookalike[]
  /** Ends of the kit that meet it. */
  ends: string[]
}

/** @returns null when the cavity holds no wire */
export function identifyWire(
  machine: Machine,
  kit: Kit,
  connections: readonly Connection[],
  connector: ConnectorId,
  cavity: number,
): WireIdentity | null {
  const index = machineIndex(machine)
  const wire = wireAt(machine, connector, cavity)
  const net = wire && index.nets.get(wire.net)
  if (!wire || !net) return null
  const plugs = (index.placesOfNet.get(net.id) ?? [])
    .filter((place) => place.connector !== connector || place.cavity !== cavity)
    .map(
      (place) =>
        `${inSentence(index.connectors.get(place.connector)?.name ?? place.connector)} ${place.cavity}, ${wireName(place.wire.colour)}`,
    )
  const studs = machine.studs.filter((stud) => stud.net === net.id).map((stud) => inSentence(stud.name))
  const ends = kit.ends.filter((end) =>
    connections.some(
      ({ kitEnd, to }) =>
        kitEnd === end.id &&
        'connector' in to &&
        to.connector === connector &&
        ('cavity' in to
          ? to.cavity === cavity
          : end.type === 'inline-pair' && end.lines.some((line) => line.cavity === cavity)),
    ),
  )
  return {
    connector,
    cavity,
    wire,
    net,
    elsewhere: [...studs, ...plugs],
    readings: expectedReadings(machine, net),
    barred: barredFromMeter(net),
    lookalikes: wireLookalikes(machine, wire),
    ends: ends.map((end) => end.name),
  }
}
