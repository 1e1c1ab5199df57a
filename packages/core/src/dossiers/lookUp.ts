import type { ConnectorId, StudId } from './ids.ts'
import { cavityKey, machineIndex } from './machineIndex.ts'
import type { Machine, Net, Wire } from './model.ts'

/** The wire in a cavity, if one is there. */
export function wireAt(machine: Machine, connector: ConnectorId, cavity: number): Wire | undefined {
  return machineIndex(machine).wireInCavity.get(cavityKey(connector, cavity))
}

export function netOfStud(machine: Machine, id: StudId): Net | undefined {
  const { nets, studs } = machineIndex(machine)
  const stud = studs.get(id)
  return stud && nets.get(stud.net)
}

export function netAt(machine: Machine, connector: ConnectorId, cavity: number): Net | undefined {
  const wire = wireAt(machine, connector, cavity)
  return wire && machineIndex(machine).nets.get(wire.net)
}

/** Wires of a plug in cavity order, with the cavity each stands in. */
export function wiresOfConnector(machine: Machine, connector: ConnectorId): readonly { cavity: number; wire: Wire }[] {
  return machineIndex(machine).wiresOf.get(connector) ?? []
}
