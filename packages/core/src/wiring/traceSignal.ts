import {
  wireAt,
  inSentence,
  machineIndex,
  wireName,
  type ConnectorId,
  type Kit,
  type KitEnd,
  type Machine,
  type Net,
  type NetId,
  type Wire,
  type WireColour,
} from '../dossiers/index.ts'
import type { Connection } from './model.ts'

/** One station on the way of a signal. */
export interface Hop {
  kind:
    | 'control unit'
    | 'plug'
    | 'splice'
    | 'stud'
    | 'wire'
    | 'through'
    | 'tapped'
    | 'changed'
    | 'joined'
    | 'cut'
    | 'open'
    | 'device'
  says: string
  colour?: WireColour
  connector?: ConnectorId
  cavity?: number
  kitEnd?: string
}

/** One way a signal takes, from where it starts to one of its ends. */
export interface SignalWay {
  hops: Hop[]
  /** False: something on the way is open. */
  whole: boolean
}

export interface SignalTrace {
  net: NetId
  name: string
  ways: SignalWay[]
  /** What the module does with it. */
  module: 'nothing' | 'reads it' | 'changes it'
}

/**
 * The whole way of a circuit: control unit (or source), wires, splices, plugs, what stands in between, device.
 * @param connections as planned or as built
 */
export function traceSignal(machine: Machine, kit: Kit, connections: readonly Connection[], netId: NetId): SignalTrace {
  const index = machineIndex(machine)
  const net = index.nets.get(netId)
  if (!net) throw new Error(`wiring: circuit "${netId}" is not in machine "${machine.id}"`)
  const wires = machine.wires.filter((wire) => wire.net === netId)
  const places = wires.flatMap((wire) => [wire.from, wire.to].map((place) => ({ place, wire })))
  const surface = places.filter(({ place }) => !('splice' in place))
  const start =
    surface.find(({ place }) => 'connector' in place && index.connectors.get(place.connector)?.ecu) ??
    surface.find(({ place }) => 'stud' in place) ??
    surface[0]
  const joins = joinsOn(machine, kit, connections, netId)
  const ways = surface
    .filter((item) => item !== start)
    .map(({ place, wire }): SignalWay => {
      const hops: Hop[] = []
      if (start) hops.push(...placeHops(machine, start.place, true), wireHop(start.wire))
      if (start && wire !== start.wire) hops.push({ kind: 'splice', says: 'splice in the loom' }, wireHop(wire))
      hops.push(...joins)
      hops.push(...placeHops(machine, place, false))
      if ('connector' in place) hops.push(...pairHops(kit, connections, place.connector, place.cavity))
      const connector = 'connector' in place ? index.connectors.get(place.connector) : undefined
      const opened = hops.some((hop) => hop.kind === 'open')
      if (connector?.mates && 'connector' in place && !opened)
        hops.push(...onThrough(machine, kit, connections, connector.mates, place.cavity))
      else if (connector && !opened) hops.push({ kind: 'device', says: connector.device, connector: connector.id })
      return { hops, whole: !opened }
    })
  const kinds = new Set(ways.flatMap((way) => way.hops.map((hop) => hop.kind)))
  const changes = kinds.has('changed') || kinds.has('cut')
  const reads = kinds.has('tapped') || kinds.has('joined')
  return { net: netId, name: net.name, ways, module: changes ? 'changes it' : reads ? 'reads it' : 'nothing' }
}

/** From a plug that is mated to another loom: that loom's wire, and what is at its far end. */
function onThrough(
  machine: Machine,
  kit: Kit,
  connections: readonly Connection[],
  mate: ConnectorId,
  cavity: number,
): Hop[] {
  const index = machineIndex(machine)
  const wire = wireAt(machine, mate, cavity)
  if (!wire)
    return [{ kind: 'open', says: `no wire in cavity ${cavity} of the loom behind it`, connector: mate, cavity }]
  const far = [wire.from, wire.to].find((place) => !('connector' in place) || place.connector !== mate)
  const hops: Hop[] = [...placeHops(machine, { connector: mate, cavity }, false), wireHop(wire)]
  if (!far) return hops
  hops.push(...placeHops(machine, far, false))
  if (!('connector' in far)) return hops
  hops.push(...pairHops(kit, connections, far.connector, far.cavity))
  const connector = index.connectors.get(far.connector)
  return connector ? [...hops, { kind: 'device', says: connector.device, connector: connector.id }] : hops
}

function wireHop(wire: Wire): Hop {
  return { kind: 'wire', says: `${wireName(wire.colour)}, ${wire.areaMm2} mm²`, colour: wire.colour }
}

function placeHops(machine: Machine, place: Wire['from'], start: boolean): Hop[] {
  const index = machineIndex(machine)
  if ('stud' in place) return [{ kind: 'stud', says: index.studs.get(place.stud)?.name ?? place.stud }]
  if ('splice' in place) return [{ kind: 'splice', says: 'splice in the loom' }]
  const connector = index.connectors.get(place.connector)
  const at = { connector: place.connector, cavity: place.cavity }
  const words = `${connector?.name ?? place.connector}, cavity ${place.cavity}`
  if (!start) return [{ kind: 'plug', says: words, ...at }]
  return connector?.ecu
    ? [
        { kind: 'control unit', says: connector.device },
        { kind: 'plug', says: words, ...at },
      ]
    : [
        { kind: 'device', says: connector?.device ?? place.connector },
        { kind: 'plug', says: words, ...at },
      ]
}

/** Leads joined to this circuit anywhere. */
function joinsOn(machine: Machine, kit: Kit, connections: readonly Connection[], netId: NetId): Hop[] {
  const found = connections.flatMap(({ kitEnd, to }) => {
    if (!('connector' in to) || !('cavity' in to)) return []
    const end = kit.ends.find((item) => item.id === kitEnd)
    if (end?.type !== 'flying-lead' || wireAt(machine, to.connector, to.cavity)?.net !== netId) return []
    return [{ hop: leadHop(connections, end, to.connector, to.cavity), last: end.cut?.half === 'device' }]
  })
  // From the control unit on, the module's answer comes before what goes into it.
  return [...found.filter((item) => !item.last), ...found.filter((item) => item.last)].map((item) => item.hop)
}

function leadHop(
  connections: readonly Connection[],
  end: Extract<KitEnd, { type: 'flying-lead' }>,
  connector: ConnectorId,
  cavity: number,
): Hop {
  const at = { connector, cavity, kitEnd: end.id }
  const { cut } = end
  if (!cut) return { kind: 'joined', says: `${end.name} (${end.tag}) joins here and is read by the module`, ...at }
  const partnerMade = connections.some((made) => made.kitEnd === cut.partner && 'cavity' in made.to)
  if (!partnerMade) return { kind: 'open', says: `cut for ${inSentence(end.name)}, its other half is open`, ...at }
  return cut.half === 'device'
    ? { kind: 'cut', says: `cut: ${inSentence(end.name)} takes the half from the device into the module`, ...at }
    : {
        kind: 'cut',
        says: `cut: the module answers over ${inSentence(end.name)} into the half to the control unit`,
        ...at,
      }
}

/** What stands between a factory plug and its device. */
function pairHops(kit: Kit, connections: readonly Connection[], connector: ConnectorId, cavity: number): Hop[] {
  const pair = kit.ends.find(
    (end) =>
      end.type === 'inline-pair' &&
      connections.some((made) => made.kitEnd === end.id && 'connector' in made.to && made.to.connector === connector),
  )
  if (pair?.type !== 'inline-pair') return []
  const sides = connections.flatMap((made) =>
    made.kitEnd === pair.id && 'connector' in made.to && made.to.connector === connector && !('cavity' in made.to)
      ? [made.to.side ?? 'both']
      : [],
  )
  const has = (side: 'factory' | 'device') => sides.includes(side) || sides.includes('both')
  const at = { kitEnd: pair.id, connector, cavity }
  if (!has('factory')) return [{ kind: 'open', says: `${pair.name}: the factory plug is not in the loom`, ...at }]
  if (pair.deviceHalf && !has('device'))
    return [{ kind: 'open', says: `${pair.name}: the loom is not on the device`, ...at }]
  const line = pair.lines.find((item) => item.cavity === cavity)
  if (line?.does === 'interrupt')
    return [
      {
        kind: 'changed',
        says: `${pair.name} (${pair.tag}): into the module, changed there, and out again`,
        ...at,
        colour: line.colour,
      },
    ]
  if (line?.does === 'tap')
    return [
      {
        kind: 'tapped',
        says: `${pair.name} (${pair.tag}): goes on, and is read by the module`,
        ...at,
        colour: line.colour,
      },
    ]
  return [
    {
      kind: 'through',
      says: `${pair.name} (${pair.tag}): straight through`,
      ...at,
      ...(line ? { colour: line.colour } : {}),
    },
  ]
}

/** Circuits that a set of connections touches, in the order of the kit's ends. */
export function touchedNets(machine: Machine, kit: Kit, connections: readonly Connection[]): NetId[] {
  const index = machineIndex(machine)
  const nets = kit.ends.flatMap((end) =>
    connections
      .filter((made) => made.kitEnd === end.id)
      .flatMap(({ to }) => {
        if ('stud' in to) return [index.studs.get(to.stud)?.net]
        if (!('connector' in to)) return []
        if ('cavity' in to) return [wireAt(machine, to.connector, to.cavity)?.net]
        const lines = end.type === 'inline-pair' ? end.lines : []
        return lines
          .filter((line) => line.does !== 'pass')
          .map((line) => wireAt(machine, to.connector, line.cavity)?.net)
      }),
  )
  return [...new Set(nets.flatMap((net) => (net === undefined ? [] : [net])))]
}

/** Where the module gets a signal from, or what it acts on. */
export interface ModuleSource {
  what: Net['role']
  does: 'reads' | 'changes'
  kitEnd: string
  says: string
}

/** Every signal the module reads or changes, and where it meets it. */
export function moduleSources(machine: Machine, kit: Kit, connections: readonly Connection[]): ModuleSource[] {
  const index = machineIndex(machine)
  return kit.ends.flatMap((end): ModuleSource[] => {
    const made = connections.find((connection) => connection.kitEnd === end.id && 'connector' in connection.to)
    if (!made || !('connector' in made.to)) return []
    const { to } = made
    const name = index.connectors.get(to.connector)?.name ?? to.connector
    const lines =
      end.type === 'inline-pair'
        ? end.lines.filter((line) => line.does !== 'pass')
        : end.type === 'flying-lead' && 'cavity' in to
          ? [{ cavity: to.cavity, does: end.cut ? ('interrupt' as const) : ('tap' as const) }]
          : []
    return lines.flatMap((line): ModuleSource[] => {
      const net = index.nets.get(wireAt(machine, to.connector, line.cavity)?.net ?? '')
      if (!net) return []
      return [
        {
          what: net.role,
          does: line.does === 'interrupt' ? 'changes' : 'reads',
          kitEnd: end.id,
          says: `${net.name}: ${inSentence(name)}, cavity ${line.cavity}, by ${inSentence(end.name)}`,
        },
      ]
    })
  })
}
