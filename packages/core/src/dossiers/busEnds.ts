import type { ConnectorId } from './ids.ts'
import { machineIndex, type LoomParts } from './machineIndex.ts'
import { deviceRole } from './roles.ts'
import type { SignalKind } from './signals.ts'

/**
 * The plugs whose devices end the bus with 120 Ω: those the document states; else the first control unit on it, and the end plug or the
 * farthest device.
 */
export function busEnds(machine: LoomParts): ConnectorId[] {
  const { wiresOf, nets } = machineIndex(machine)
  const has = (id: ConnectorId, signal: SignalKind) =>
    (wiresOf.get(id) ?? []).some(({ wire }) => nets.get(wire.net)?.signal === signal)
  const onBus = machine.connectors.filter(({ id }) => has(id, 'bus-high') && has(id, 'bus-low'))
  const stated = onBus.filter(({ endsBus }) => endsBus)
  if (stated.length > 0) return stated.map(({ id }) => id)
  const unit = machine.connectors.find((connector) => connector.ecu)?.device
  const first = onBus.find(({ ecu, device }) => ecu && device === unit)
  const others = onBus.filter(({ ecu }) => !ecu)
  const second =
    others.find((connector) => deviceRole(connector) === 'bus end') ??
    others.find((connector) => deviceRole(connector) !== 'diagnostic socket') ??
    others.at(0)
  return [first, second].flatMap((end) => (end ? [end.id] : []))
}
