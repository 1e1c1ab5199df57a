import { machineIndex, placeKey, type LoomParts } from './machineIndex.ts'
import type { Connector, DeviceRole, Machine, Net, WirePlace } from './model.ts'
import { deviceRole, handsOn, studRole } from './roles.ts'
import { wantedSupplies } from './signals.ts'

type Loom = LoomParts & Pick<Machine, 'batteries'>

/**
 * Where a circuit comes from: as the document states it; else the contact that hands it on; else a supply from its live stud, or what hands it on, the nearer to the
 * battery the sooner; everything else, and what nothing hands on, from the control unit; else its stud or the first plug in the
 * document. Null for a circuit of splices alone.
 * @param among places that may be it
 */
export function sourceOf(machine: Loom, net: Net, among: readonly WirePlace[]): WirePlace | null {
  const { connectors, studs } = machineIndex(machine)
  if (net.source) {
    const stated = placeKey(net.source)
    const found = among.find((place) => placeKey(place) === stated)
    if (found) return found
  }
  const handed = among.find(
    (place) =>
      'connector' in place && connectors.get(place.connector)?.contacts?.some(([, to]) => to === place.cavity) === true,
  )
  if (handed) return handed
  const plugOf = (place: WirePlace) => ('connector' in place ? connectors.get(place.connector) : undefined)
  const plug = (wanted: (connector: Connector) => boolean) =>
    among.find((place) => {
      const found = plugOf(place)
      return found !== undefined && wanted(found)
    })
  const ownStud = (post: boolean) =>
    among.find((place) => {
      const stud = 'stud' in place ? studs.get(place.stud) : undefined
      return stud?.net === net.id && (!post || studRole(machine, stud) === 'battery positive')
    })
  const rank = supplyRank(machine, net)
  if (rank !== null) {
    const post = ownStud(true) ?? ownStud(false)
    if (post) return post
    const [fed] = among
      .flatMap((place) => {
        const found = plugOf(place)
        const weight = found && found.mates === undefined ? feedWeight(machine, net, rank, found) : null
        return weight === null ? [] : [{ place, weight }]
      })
      .sort((a, b) => a.weight - b.weight)
    if (fed) return fed.place
  }
  const unit = plug((connector) => connector.ecu === true)
  const box = rank === null ? undefined : plug((connector) => connector.mates === undefined && handsOn(connector))
  const alone =
    (rank === null ? undefined : plug((connector) => deviceRole(connector) === 'unit')) ??
    plug((connector) => connector.mates === undefined)
  return unit ?? box ?? ownStud(false) ?? alone ?? among.find((place) => !('splice' in place)) ?? null
}

/** How far a supply is from the battery: on its post, always live, from the key, from a relay or fuse behind it, wanted by hand. */
function supplyRank(machine: Loom, net: Net): number | null {
  const ofMachine = ranks.get(machine) ?? new Map<Net, number | null>()
  ranks.set(machine, ofMachine)
  const known = ofMachine.get(net)
  if (known !== undefined) return known
  const rank = rankOf(machine, net)
  ofMachine.set(net, rank)
  return rank
}
const ranks = new WeakMap<Loom, Map<Net, number | null>>()

function rankOf(machine: Loom, net: Net): number | null {
  if (net.signal === 'supply-always') return machine.studs.some((stud) => stud.net === net.id) ? 0 : 1
  if (net.signal !== 'supply-switched') return null
  if (wantedSupplies.includes(net.role)) return 4
  const { placesOfNet, connectors } = machineIndex(machine)
  const keyed = (placesOfNet.get(net.id) ?? []).some(({ connector }) => {
    const found = connectors.get(connector)
    return found !== undefined && deviceRole(found) === 'ignition switch'
  })
  return keyed ? 2 : 3
}

const always: readonly DeviceRole[] = ['fuse box', 'relay', 'regulator']
const wanted: readonly DeviceRole[] = ['relay', 'switch', 'fuse box', 'regulator']
const switched: readonly DeviceRole[] = ['ignition switch', 'relay', 'fuse box', 'switch', 'regulator']

/** How well a plug fits as what hands a supply on, the less the better; null: it is fed by it, or hands nothing on. */
function feedWeight(machine: Loom, net: Net, rank: number, plug: Connector): number | null {
  const role = deviceRole(plug)
  const order = (rank < 2 ? always : rank === 4 ? wanted : switched).indexOf(role)
  if (order < 0) return null
  // A circuit is often called by what it comes through: "Lamps 12 V, fuse 15 A", "ECU 12 V from the main relay".
  const said =
    (/\bfuse\b/i.test(net.name) && role === 'fuse box') ||
    (/\brelay\b/i.test(net.name) && role === 'relay') ||
    (/\bswitch\b/i.test(net.name) && (role === 'ignition switch' || role === 'switch'))
  if (said) return order - 10
  return role === 'regulator' || isFedNearer(machine, rank, plug) ? order : null
}

/** Whether a plug has another supply that is nearer to the battery. */
function isFedNearer(machine: Loom, rank: number, plug: Connector): boolean {
  const { wiresOf, nets } = machineIndex(machine)
  return (wiresOf.get(plug.id) ?? []).some(({ wire }) => {
    const other = nets.get(wire.net)
    const theirs = other ? supplyRank(machine, other) : null
    return theirs !== null && theirs < rank
  })
}

/** All studs and cavities of a circuit, studs first. */
export function surfacesOf(machine: LoomParts, net: Pick<Net, 'id'>): WirePlace[] {
  return [
    ...machine.studs.filter((stud) => stud.net === net.id).map((stud): WirePlace => ({ stud: stud.id })),
    ...(machineIndex(machine).placesOfNet.get(net.id) ?? []).map(({ connector, cavity }): WirePlace => ({
      connector,
      cavity,
    })),
  ]
}

/** Whether a circuit comes to a place: a wire of its own ends there, or the stud is its own. */
export function comesTo({ wires, studs }: Pick<Machine, 'wires' | 'studs'>, net: string, place: WirePlace): boolean {
  const key = placeKey(place)
  const atStud = 'stud' in place && studs.some((stud) => stud.id === place.stud && stud.net === net)
  return atStud || wires.some((wire) => wire.net === net && [wire.from, wire.to].some((end) => placeKey(end) === key))
}
