import { withPinout, type CavityEntry, type ConnectorId, type Machine, type Net } from '../dossiers/index.ts'
import { readSort } from './sortWords.ts'

/** Words that say nothing of what a circuit is for. */
const fillers = /[,:]?\s+(?:signal|drive|wire|line|circuit|sensor|plus|feed)\s*$/i

/** A circuit that nobody said the kind of: its name says it, where it is one of the usual ones. */
function known(net: Net): Net {
  if (net.signal !== 'unknown' || net.role !== 'unknown') return net
  for (const name of [net.name, net.name.replace(fillers, '')]) {
    const read = readSort(name)
    if (read.ok) return { ...net, ...read.value }
  }
  return net
}

/** The machine with the wires of one plug as entered; circuits whose names say what they are for are of that kind. */
export function withWires(machine: Machine, connector: ConnectorId, entries: readonly CavityEntry[]): Machine {
  const next = withPinout(machine, connector, entries)
  return { ...next, nets: next.nets.map(known) }
}
