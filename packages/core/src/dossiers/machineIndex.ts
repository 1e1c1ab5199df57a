import type { Connector, ConnectorId, Machine, Net, NetId, Stud, Wire, Zone } from './model.ts'

/** Where a net comes to the surface: a cavity of a plug. */
export interface CavityPlace {
  connector: ConnectorId
  cavity: number
}

/** Everything of a machine by its id, and each cavity's wire. Built once per document. */
export interface MachineIndex {
  connectors: Map<ConnectorId, Connector>
  nets: Map<NetId, Net>
  studs: Map<string, Stud>
  zones: Map<string, Zone>
  wires: Map<string, Wire>
  wireInCavity: Map<string, Wire>
  wiresOf: Map<ConnectorId, { cavity: number; wire: Wire }[]>
  placesOfNet: Map<NetId, (CavityPlace & { wire: Wire })[]>
}

const indices = new WeakMap<Machine, MachineIndex>()

/** @param machine a document that is not changed afterwards */
export function machineIndex(machine: Machine): MachineIndex {
  const known = indices.get(machine)
  if (known) return known
  const index: MachineIndex = {
    connectors: new Map(machine.connectors.map((item) => [item.id, item])),
    nets: new Map(machine.nets.map((item) => [item.id, item])),
    studs: new Map(machine.studs.map((item) => [item.id, item])),
    zones: new Map(machine.zones.map((item) => [item.id, item])),
    wires: new Map(machine.wires.map((item) => [item.id, item])),
    wireInCavity: new Map(),
    wiresOf: new Map(),
    placesOfNet: new Map(),
  }
  for (const wire of machine.wires)
    for (const place of [wire.from, wire.to]) {
      if (!('connector' in place)) continue
      const { connector, cavity } = place
      index.wireInCavity.set(cavityKey(connector, cavity), wire)
      pushTo(index.wiresOf, connector, { cavity, wire })
      pushTo(index.placesOfNet, wire.net, { connector, cavity, wire })
    }
  for (const list of index.wiresOf.values()) list.sort((a, b) => a.cavity - b.cavity)
  indices.set(machine, index)
  return index
}

export function cavityKey(connector: ConnectorId, cavity: number): string {
  return `${connector}:${cavity}`
}

function pushTo<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key)
  if (list) list.push(value)
  else map.set(key, [value])
}
