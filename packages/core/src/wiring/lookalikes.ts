import {
  inSentence,
  wireName,
  wiresOfConnector,
  zoneOfPlace,
  type Connector,
  type ConnectorId,
  type Machine,
  type Wire,
} from '../dossiers/index.ts'
import { wireConfusion, type Confusion } from './colourDistance.ts'
import { pinCount } from './pins.ts'

export interface ConnectorLookalike {
  connector: ConnectorId
  /** What the two share, for the eye. */
  shared: string
  /** What tells the wanted one from this one, the surest first. */
  telling: string
}

/** Plugs with as many pins that share shell or wire colours with this one, the likest first, and what tells them apart. */
export function connectorLookalikes(machine: Machine, id: ConnectorId): ConnectorLookalike[] {
  const wanted = machine.connectors.find((connector) => connector.id === id)
  if (!wanted) return []
  const pins = pinCount(wanted)
  const colours = coloursOf(machine, id)
  const found = machine.connectors.flatMap((other) => {
    if (other.id === id || pinCount(other) !== pins || other.gender !== wanted.gender) return []
    const shared = coloursOf(machine, other.id).filter((colour) => colours.includes(colour))
    const sameShell = other.shell.family === wanted.shell.family
    if (!sameShell && shared.length === 0) return []
    if (pins === 1) return []
    return [
      {
        connector: other.id,
        shared: [`both ${pins}-pin`, ...(shared.length > 0 ? [`${shared.join(' and ')} in both`] : [])].join(', '),
        telling: tellingFeatures(machine, wanted, other),
        likeness: likeness(wanted, other) + shared.length / Math.max(1, colours.length),
      },
    ]
  })
  return found
    .sort((a, b) => b.likeness - a.likeness)
    .map(({ connector, shared, telling }) => ({ connector, shared, telling }))
}

/** How easily a hand takes the one for the other: within reach counts most, then what the fingers and eyes notice. */
function likeness(wanted: Connector, other: Connector): number {
  return (
    (wanted.zone === other.zone ? 3 : 0) +
    (wanted.shell.family === other.shell.family ? 1 : 0) +
    (wanted.shell.colour === other.shell.colour ? 1 : 0) +
    (wanted.shell.key === other.shell.key ? 1 : 0)
  )
}

function coloursOf(machine: Machine, id: ConnectorId): string[] {
  return [...new Set(wiresOfConnector(machine, id).map(({ wire }) => wire.colour.base))]
}

function tellingFeatures(machine: Machine, wanted: Connector, other: Connector): string {
  const zone = (connector: Connector) =>
    machine.zones.find((item) => item.id === connector.zone)?.name ?? connector.zone
  const yours: string[] = []
  const its: string[] = []
  if (wanted.shell.colour !== other.shell.colour) {
    yours.push(`the ${wanted.shell.colour} shell`)
    its.push(`a ${other.shell.colour} one`)
  }
  if (wanted.shell.key !== other.shell.key) {
    yours.push(keyWords(wanted))
    its.push(keyWords(other))
  }
  if (wanted.shell.outline !== other.shell.outline) {
    yours.push(`is ${wanted.shell.outline}`)
    its.push(`is ${other.shell.outline}`)
  }
  if (wanted.up !== other.up) {
    if (wanted.up !== undefined) yours.push(`sits ${wanted.up}`)
    if (other.up !== undefined) its.push(`sits ${other.up}`)
  }
  const differing = wiresOfConnector(machine, wanted.id).find(
    ({ wire }) =>
      !wiresOfConnector(machine, other.id).some((theirs) => wireConfusion(theirs.wire.colour, wire.colour) !== null),
  )
  if (yours.length < 2 && differing) yours.push(`a ${wireName(differing.wire.colour)} wire, which the other has not`)
  const place =
    wanted.zone === other.zone
      ? `; yours ${wanted.place}`
      : `; yours ${wanted.place} (${zone(wanted)}), the other: ${zone(other)}`
  const difference =
    its.length > 0
      ? `Yours has ${yours.join(', ')}; the other ${its.join(', ')}`
      : `Yours has ${yours.join(', ') || 'nothing the other has not'}`
  return `${difference}${place}.`
}

function keyWords(connector: Connector): string {
  return connector.shell.key === 'none'
    ? 'no key'
    : `a ${connector.shell.key} key`.replace('a two ribs key', 'two ribs')
}

export interface WireLookalike {
  wire: Wire
  where: { connector: ConnectorId; cavity: number }
  confusion: Confusion
  telling: string
}

/** Wires of other circuits within reach (a zone in common at either end) that could be taken for this one. */
export function wireLookalikes(machine: Machine, wanted: Wire): readonly WireLookalike[] {
  const known = lookalikesKnown.get(machine) ?? new Map<string, readonly WireLookalike[]>()
  lookalikesKnown.set(machine, known)
  const found = known.get(wanted.id) ?? findWireLookalikes(machine, wanted)
  known.set(wanted.id, found)
  return found
}

/** A document never changes, so what looks alike on it is worked out once a wire. */
const lookalikesKnown = new WeakMap<Machine, Map<string, readonly WireLookalike[]>>()

function findWireLookalikes(machine: Machine, wanted: Wire): WireLookalike[] {
  const zones = zonesOf(machine, wanted)
  const seen = new Set<string>()
  const found = machine.wires.flatMap((other): WireLookalike[] => {
    if (other.net === wanted.net || !zonesOf(machine, other).some((zone) => zones.includes(zone))) return []
    const confusion = wireConfusion(wanted.colour, other.colour)
    const key = `${other.net}|${wireName(other.colour)}`
    if (confusion === null || seen.has(key)) return []
    const place = [other.from, other.to].find((end) => 'connector' in end)
    if (!place || !('connector' in place)) return []
    seen.add(key)
    return [{ wire: other, where: place, confusion, telling: tellWires(machine, wanted, other, confusion) }]
  })
  return found.sort((a, b) => gravest.indexOf(a.confusion) - gravest.indexOf(b.confusion))
}

const gravest: readonly Confusion[] = ['swapped', 'same', 'stripe only', 'close colours']

function zonesOf(machine: Machine, wire: Wire): string[] {
  return [wire.from, wire.to].flatMap((place) => zoneOfPlace(machine, place)?.id ?? [])
}

function tellWires(machine: Machine, wanted: Wire, other: Wire, confusion: Confusion): string {
  const net = machine.nets.find((item) => item.id === other.net)?.name ?? other.net
  const theirs = `the ${wireName(other.colour)} is ${inSentence(net)}`
  switch (confusion) {
    case 'swapped':
      return `The wide colour is ${wanted.colour.base}, the thin line is ${wanted.colour.stripe ?? 'none'}; ${theirs}.`
    case 'stripe only':
      return wanted.colour.stripe
        ? `Turn it in the light until the ${wanted.colour.stripe} line shows; ${theirs}.`
        : `It has no line anywhere; ${theirs}.`
    case 'close colours':
      return `Hold both side by side in white light; ${theirs}.`
    case 'same':
      return `The colour alone does not tell: count the cavity; ${theirs} too.`
  }
}
