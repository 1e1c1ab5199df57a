import { machineIndex, type ConnectorId, type Machine, type SignalKind } from '../dossiers/index.ts'

/** The plugs whose devices end the bus with 120 Ω: the first control unit on it, and the end plug or the farthest device. */
export function busEnds(machine: Machine): ConnectorId[] {
  const { wiresOf, nets } = machineIndex(machine)
  const has = (id: ConnectorId, signal: SignalKind) =>
    (wiresOf.get(id) ?? []).some(({ wire }) => nets.get(wire.net)?.signal === signal)
  const onBus = machine.connectors.filter(({ id }) => has(id, 'bus-high') && has(id, 'bus-low'))
  const unit = machine.connectors.find((connector) => connector.ecu)?.device
  const first = onBus.find(({ ecu, device }) => ecu && device === unit)
  const others = onBus.filter(({ ecu }) => !ecu)
  const second =
    others.find(({ name, device }) => /bus end|terminat/i.test(`${name} ${device}`)) ??
    others.find(({ device }) => !/diagnostic/i.test(device)) ??
    others.at(0)
  return [first, second].flatMap((end) => (end ? [end.id] : []))
}
