import type { ConnectorId, NetId, SpliceId, StudId, WireId, ZoneId } from './ids.ts'
import type { Connector, Machine, Net, Stud, Wire, WirePlace, Zone } from './model.ts'

/** Where a net comes to the surface: a cavity of a plug. */
export interface CavityPlace {
  connector: ConnectorId
  cavity: number
}

/** Everything of a machine by its id, and each cavity's wire. Built once per document. */
export interface MachineIndex {
  connectors: Map<ConnectorId, Connector>
  nets: Map<NetId, Net>
  studs: Map<StudId, Stud>
  zones: Map<ZoneId, Zone>
  wires: Map<WireId, Wire>
  wireInCavity: Map<string, Wire>
  /** All wires that end at a place, by `placeKey`. */
  wiresAt: Map<string, Wire[]>
  wiresOf: Map<ConnectorId, { cavity: number; wire: Wire }[]>
  placesOfNet: Map<NetId, (CavityPlace & { wire: Wire })[]>
  /** Plugs that an airbag circuit runs through. */
  airbagPlugs: Set<ConnectorId>
}

/** The loom of a machine. */
export type LoomParts = Pick<Machine, 'connectors' | 'nets' | 'studs' | 'zones' | 'wires'>

const indices = new WeakMap<LoomParts, MachineIndex>()

/** @param machine a document that is not changed afterwards */
export function machineIndex(machine: LoomParts): MachineIndex {
  const known = indices.get(machine)
  if (known) return known
  const index: MachineIndex = {
    connectors: new Map(machine.connectors.map((item) => [item.id, item])),
    nets: new Map(machine.nets.map((item) => [item.id, item])),
    studs: new Map(machine.studs.map((item) => [item.id, item])),
    zones: new Map(machine.zones.map((item) => [item.id, item])),
    wires: new Map(machine.wires.map((item) => [item.id, item])),
    wireInCavity: new Map(),
    wiresAt: new Map(),
    wiresOf: new Map(),
    placesOfNet: new Map(),
    airbagPlugs: new Set(),
  }
  for (const wire of machine.wires)
    for (const place of [wire.from, wire.to]) {
      pushTo(index.wiresAt, placeKey(place), wire)
      if (!('connector' in place)) continue
      const { connector, cavity } = place
      index.wireInCavity.set(cavityKey(connector, cavity), wire)
      pushTo(index.wiresOf, connector, { cavity, wire })
      pushTo(index.placesOfNet, wire.net, { connector, cavity, wire })
      if (index.nets.get(wire.net)?.role === 'airbag') index.airbagPlugs.add(connector)
    }
  for (const list of index.wiresOf.values()) list.sort((a, b) => a.cavity - b.cavity)
  indices.set(machine, index)
  return index
}

/** A stud, cavity or splice, told from all others. */
export function placeKey(place: WirePlace): string {
  if ('stud' in place) return `stud ${place.stud}`
  return 'splice' in place ? `splice ${place.splice}` : `${place.connector} ${place.cavity}`
}

/** The zone of a plug, stud or cavity; undefined at a splice, which lies anywhere. */
export function zoneOfPlace(
  machine: Machine,
  place: { connector: ConnectorId } | { stud: StudId } | { splice: SpliceId },
): Zone | undefined {
  const { connectors, studs, zones } = machineIndex(machine)
  if ('splice' in place) return undefined
  const id = 'connector' in place ? connectors.get(place.connector)?.zone : studs.get(place.stud)?.zone
  return id === undefined ? undefined : zones.get(id)
}

export function cavityKey(connector: ConnectorId, cavity: number): string {
  return `${connector}:${cavity}`
}

function pushTo<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key)
  if (list) list.push(value)
  else map.set(key, [value])
}
