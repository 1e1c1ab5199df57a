import { machineIndex, readWireColour, wireName, wireShort, type ConnectorId, type Machine } from '../dossiers/index.ts'

export interface WireFound {
  connector: ConnectorId
  connectorName: string
  cavity: number
  net: string
  wire: string
}

/**
 * Any wire by colour (in any usual spelling), plug, cavity or signal, in one line: "grey violet", "gy/vi", "crank 2",
 * "5 v reference". Words that name a colour together are read as one wire; every other word must stand somewhere.
 */
export function findWires(machine: Machine, query: string, limit = 60): WireFound[] {
  const index = machineIndex(machine)
  const text = query.trim().toLowerCase()
  const reading = text === '' ? null : readWireColour(text)
  const colour = reading?.kind === 'read' ? reading.colour : null
  const words = text.split(/\s+/).filter((word) => word !== '')
  const found: WireFound[] = []
  for (const plug of machine.connectors)
    for (const { cavity, wire } of index.wiresOf.get(plug.id) ?? []) {
      const net = index.nets.get(wire.net)?.name ?? wire.net
      const hay =
        `${plug.name} ${plug.device} ${plug.place} ${net} ${wireName(wire.colour)} ${wireShort(wire.colour)}`.toLowerCase()
      const fits = colour
        ? wire.colour.base === colour.base && (colour.stripe === undefined || wire.colour.stripe === colour.stripe)
        : words.every((word) =>
            /^\d+$/.test(word) ? cavity === Number(word) || hay.includes(word) : hay.includes(word),
          )
      if (!fits) continue
      found.push({ connector: plug.id, connectorName: plug.name, cavity, net, wire: wireName(wire.colour) })
      if (found.length === limit) return found
    }
  return found
}
