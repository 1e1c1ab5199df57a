import type { ConnectorId, Machine, Net, Wire } from './model.ts'

/** The wire in a cavity, if one is there. */
export function wireAt(machine: Machine, connector: ConnectorId, cavity: number): Wire | undefined {
  return machine.wires.find((wire) =>
    [wire.from, wire.to].some(
      (place) => 'connector' in place && place.connector === connector && place.cavity === cavity,
    ),
  )
}

export function netAt(machine: Machine, connector: ConnectorId, cavity: number): Net | undefined {
  const wire = wireAt(machine, connector, cavity)
  return wire && machine.nets.find((net) => net.id === wire.net)
}

/** Wires of a plug in cavity order, with the cavity each stands in. */
export function wiresOfConnector(machine: Machine, connector: ConnectorId): { cavity: number; wire: Wire }[] {
  return machine.wires
    .flatMap((wire) =>
      [wire.from, wire.to].flatMap((place) =>
        'connector' in place && place.connector === connector ? [{ cavity: place.cavity, wire }] : [],
      ),
    )
    .sort((a, b) => a.cavity - b.cavity)
}
