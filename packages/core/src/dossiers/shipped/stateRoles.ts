import { asWritten, type Written } from '../../shared/index.ts'
import { busEnds } from '../busEnds.ts'
import type { LoomParts } from '../machineIndex.ts'
import type { Machine } from '../model.ts'
import { deviceRole, studRole } from '../roles.ts'
import { sourceOf, surfacesOf } from '../sourceOf.ts'

/** A loom with everything said that a circuit hangs on: what plugs sit on, which of them end the bus, what studs are for, where supplies come from. */
export function stateRoles<Parts extends Written<LoomParts>>(parts: Parts, batteries: string[] | undefined): Parts {
  const machine = asWritten<LoomParts & Pick<Machine, 'batteries'>>({ ...parts, batteries })
  const ends = busEnds(machine)
  return {
    ...parts,
    connectors: machine.connectors.map((connector) => ({
      ...connector,
      ...(connector.ecu || connector.mates !== undefined ? {} : { role: deviceRole(connector) }),
      ...(ends.includes(connector.id) ? { endsBus: true } : {}),
    })),
    studs: machine.studs.map((stud) => ({ ...stud, role: studRole(machine, stud) })),
    nets: machine.nets.map((net) => {
      const supply = net.signal === 'supply-always' || net.signal === 'supply-switched'
      const source = net.source ?? (supply ? sourceOf(machine, net, surfacesOf(machine, net)) : null)
      return source && !('splice' in source) ? { ...net, source } : net
    }),
  }
}
