import { machineIndex, type Connector, type Machine, type Net, type WirePlace } from '../dossiers/index.ts'

/** Boxes that hand on what they are fed with, as the key or a relay says. */
export const handsOn = /fuse|relay|ignition|switch|regulator/i

/**
 * Where a circuit comes from: a supply from its live stud, the relay, fuse box or switch that hands it on; everything else, and what
 * nothing hands on, from the control unit; else its stud or the first plug in the document. Null for a circuit of splices alone.
 * @param among places that may be it
 */
export function sourceOf(machine: Machine, net: Net, among: readonly WirePlace[]): WirePlace | null {
  const { connectors, studs } = machineIndex(machine)
  const plug = (wanted: (connector: Connector) => boolean) =>
    among.find((place) => {
      const found = 'connector' in place ? connectors.get(place.connector) : undefined
      return found !== undefined && wanted(found)
    })
  const ownStud = (positive: boolean) =>
    among.find((place) => {
      const stud = 'stud' in place ? studs.get(place.stud) : undefined
      return stud?.net === net.id && (!positive || /pos/i.test(stud.id))
    })
  const unit = plug((connector) => connector.ecu === true)
  const supply = net.signal === 'supply-always' || net.signal === 'supply-switched'
  const box = supply ? plug((connector) => connector.mates === undefined && handsOn.test(connector.device)) : undefined
  const post = supply ? (ownStud(true) ?? ownStud(false)) : undefined
  const alone = plug((connector) => connector.mates === undefined)
  return post ?? box ?? unit ?? ownStud(false) ?? alone ?? among.find((place) => !('splice' in place)) ?? null
}
