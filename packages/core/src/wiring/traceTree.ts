import {
  busEnds,
  inSentence,
  machineIndex,
  placeKey,
  sourceOf,
  wireName,
  type ConnectorId,
  type Kit,
  type KitEnd,
  type KitEndId,
  type Machine,
  type NetId,
  type Wire,
  type WireColour,
  type WirePlace,
  type StudId,
  netAt,
} from '../dossiers/index.ts'
import type { Connection } from './model.ts'

export const traceKinds = [
  'control unit',
  'plug',
  'splice',
  'stud',
  'wire',
  'through',
  'tapped',
  'changed',
  'joined',
  'cut',
  'open',
  'device',
  'module',
  'resistor',
  /** Branches of one kind, each among the children. */
  'alike',
] as const
export type TraceKind = (typeof traceKinds)[number]

/** A station on the way of a circuit, and what follows it. */
export interface TraceNode {
  kind: TraceKind
  words: string
  colour?: WireColour
  connector?: ConnectorId
  cavity?: number
  kitEnd?: KitEndId
  children: TraceNode[]
}

/** With supplies and grounds a module does nothing but live from them. */
export const moduleDoes = ['nothing', 'reads it', 'changes it', 'lives from it'] as const
export type ModuleDoes = (typeof moduleDoes)[number]

export interface TraceTree {
  net: NetId
  name: string
  /** Where it comes from; its branches follow. */
  tree: TraceNode
  /** What nothing leads to from there any more, each from where it would begin. */
  apart: TraceNode[]
  /** What the module does with it. */
  module: ModuleDoes
}

/**
 * A circuit as a tree from its source: every wire of it once, each where it is. A lead of the kit hangs on the wire it is joined to;
 * behind an open place nothing follows, what is left stands apart.
 * @param connections as planned or as built
 * @throws where the machine has no such circuit
 */
export function traceTree(machine: Machine, kit: Kit, connections: readonly Connection[], netId: NetId): TraceTree {
  const net = machineIndex(machine).nets.get(netId)
  if (!net) throw new Error(`wiring: circuit "${netId}" is not in machine "${machine.id}"`)
  const walk = walker(machine, kit, connections)
  const own = machine.wires.filter((wire) => wire.net === netId)
  const studs = machine.studs.filter((stud) => stud.net === netId).map((stud): WirePlace => ({ stud: stud.id }))
  const open = () => own.filter((wire) => !walk.seen(wire)).flatMap((wire) => [wire.from, wire.to])
  const first = sourceOf(machine, net, [...studs, ...open()])
  if (!first)
    return { net: netId, name: net.name, tree: leaf('open', 'nothing leads anywhere'), apart: [], module: 'nothing' }
  const tree = walk.from(first, netId)
  const apart: TraceNode[] = []
  for (let places = open(); places.length > 0; places = open()) {
    const next = sourceOf(machine, net, places) ?? places[0]
    apart.push(walk.on(next))
  }
  const kinds = new Set([tree, ...apart].flatMap(allNodes).map(({ kind }) => kind))
  const changes = kinds.has('changed') || kinds.has('cut') || kinds.has('module')
  const reads = kinds.has('tapped') || kinds.has('joined')
  const carries = /^(supply-|power-ground)/.test(net.signal)
  const does = changes ? 'changes it' : carries ? 'lives from it' : 'reads it'
  return { net: netId, name: net.name, tree, apart, module: changes || reads ? does : 'nothing' }
}

/** A node and everything that follows it. */
export function allNodes(node: TraceNode): TraceNode[] {
  return [node, ...node.children.flatMap(allNodes)]
}

function leaf(kind: TraceKind, words: string, more: Partial<TraceNode> = {}): TraceNode {
  return { kind, words, children: [], ...more }
}

/** Stations one after the other, and what follows the last. */
function chain(stations: readonly TraceNode[], then: TraceNode[]): TraceNode[] {
  return stations.reduceRight<TraceNode[]>((children, station) => [{ ...station, children }], then)
}

function walker(machine: Machine, kit: Kit, connections: readonly Connection[]) {
  const { connectors, studs, wiresOf, wiresAt } = machineIndex(machine)
  const seenWires = new Set<string>()

  /** Wires that lead on from a place, each with what follows. */
  function onward(place: WirePlace): TraceNode[] {
    const found = (wiresAt.get(placeKey(place)) ?? []).flatMap((wire): TraceNode[] => {
      if (seenWires.has(wire.id)) return []
      seenWires.add(wire.id)
      const far = placeKey(wire.from) === placeKey(place) ? wire.to : wire.from
      const words = `${wireName(wire.colour)}, ${wire.areaMm2} mm²`
      return [{ ...leaf('wire', words, { colour: wire.colour }), children: arrive(far) }]
    })
    return folded(found)
  }

  /** What a wire comes to at its far end. */
  function arrive(place: WirePlace): TraceNode[] {
    if ('splice' in place) return [{ ...leaf('splice', 'splice in the loom'), children: onward(place) }]
    if ('stud' in place) return [studNode(place.stud)]
    const { connector, cavity } = place
    const cuts = cutsAt(connector, cavity)
    if (cuts.some(({ kind }) => kind === 'open')) return cuts
    const plug = { ...plugNode(connector, cavity), children: [...behind(connector, cavity), ...onward(place)] }
    return [...leadsAt(connector, cavity), ...chain(cuts, [plug])]
  }

  function studNode(stud: StudId): TraceNode {
    return {
      ...leaf('stud', studs.get(stud)?.name ?? stud),
      children: [...ringsAt(stud), ...onward({ stud })],
    }
  }

  function plugNode(connector: ConnectorId, cavity: number): TraceNode {
    return leaf('plug', `${connectors.get(connector)?.name ?? connector}, cavity ${cavity}`, { connector, cavity })
  }

  /** From a place that nothing leads to any more: what was open before it is told where it is open. */
  function on(place: WirePlace): TraceNode {
    if ('splice' in place) return { ...leaf('splice', 'splice in the loom'), children: onward(place) }
    if ('stud' in place) return studNode(place.stud)
    return { ...plugNode(place.connector, place.cavity), children: onward(place) }
  }

  /** From the place where a circuit begins. */
  function from(place: WirePlace, net: NetId): TraceNode {
    if (!('connector' in place)) return on(place)
    const connector = connectors.get(place.connector)
    // A box with several pins on one circuit hands it on at each.
    const pins = machine.connectors
      .filter(
        ({ id, device, mates }) => id === place.connector || (mates === undefined && device === connector?.device),
      )
      .flatMap(({ id }) => (wiresOf.get(id) ?? []).map(({ cavity, wire }) => ({ connector: id, cavity, wire })))
      .filter(({ wire }) => wire.net === net && !seenWires.has(wire.id))
    const standIn = standInAt(place.connector)
    const root = standIn
      ? leaf('module', `${kit.module.name}, in the place of ${inSentence(connector?.device ?? 'the control unit')}`, {
          kitEnd: standIn.id,
        })
      : leaf(connector?.ecu ? 'control unit' : 'device', connector?.device ?? place.connector, {
          connector: place.connector,
        })
    const branches = pins.flatMap((pin): TraceNode[] => {
      if (seenWires.has(pin.wire.id)) return []
      const pair = pairAt(pin.connector, pin.cavity)
      if (pair?.kind === 'open') return [pair]
      const cuts = cutsAt(pin.connector, pin.cavity)
      const follows = cuts.some(({ kind }) => kind === 'open') ? cuts : chain(cuts, onward(pin))
      return chain(pair ? [pair] : [], [
        {
          ...plugNode(pin.connector, pin.cavity),
          children: [...leadsAt(pin.connector, pin.cavity), ...follows],
        },
      ])
    })
    const end = endResistor(place.connector, place.cavity)
    return { ...root, children: [...end, ...folded(branches)] }
  }

  /** What a plug is on: the device, or another loom that goes on; with what the kit put between. */
  function behind(id: ConnectorId, cavity: number): TraceNode[] {
    const connector = connectors.get(id)
    if (!connector) return []
    const pair = pairAt(id, cavity)
    if (pair?.kind === 'open') return [pair]
    return chain(
      pair ? [pair] : [],
      connector.mates === undefined ? [deviceNode(id, cavity)] : [mateNode(connector.mates, cavity)],
    )
  }

  function deviceNode(id: ConnectorId, cavity: number): TraceNode {
    const connector = connectors.get(id)
    const standIn = standInAt(id)
    if (standIn) return leaf('module', `${kit.module.name}, in its place`, { connector: id, kitEnd: standIn.id })
    const kind = connector?.ecu ? 'control unit' : 'device'
    return leaf(kind, connector?.device ?? id, { connector: id, children: endResistor(id, cavity) })
  }

  function mateNode(mate: ConnectorId, cavity: number): TraceNode {
    if (!wiresAt.has(placeKey({ connector: mate, cavity })))
      return leaf('open', `no wire in cavity ${cavity} of the loom behind it`, { connector: mate, cavity })
    return { ...plugNode(mate, cavity), children: onward({ connector: mate, cavity }) }
  }

  /** The two ends of a bus carry 120 Ω each. */
  function endResistor(connector: ConnectorId, cavity: number): TraceNode[] {
    const signal = netAt(machine, connector, cavity)?.signal
    if (signal !== 'bus-high' && signal !== 'bus-low') return []
    return busEnds(machine).includes(connector)
      ? [leaf('resistor', 'an end of the bus: 120 Ω between its wires', { connector, cavity })]
      : []
  }

  const joined = (connector: ConnectorId, cavity: number) =>
    connections.flatMap(({ kitEnd, to }) => {
      if (!('connector' in to) || !('cavity' in to) || to.connector !== connector || to.cavity !== cavity) return []
      const end = kit.ends.find((item) => item.id === kitEnd)
      return end?.type === 'flying-lead' ? [{ end, half: to.half }] : []
    })

  /** Leads that join a wire without cutting it. */
  function leadsAt(connector: ConnectorId, cavity: number): TraceNode[] {
    return joined(connector, cavity)
      .filter(({ end }) => !end.cut)
      .map(({ end }) =>
        leaf('joined', `${end.name} (${end.tag}) ${purposeOf(end)}`, { connector, cavity, kitEnd: end.id }),
      )
  }

  function ringsAt(stud: StudId): TraceNode[] {
    return connections.flatMap(({ kitEnd, to }) => {
      const end = kit.ends.find((item) => item.id === kitEnd)
      if (!('stud' in to) || to.stud !== stud || !end) return []
      return [leaf('joined', `${end.name} (${end.tag}) ${purposeOf(end)}`, { kitEnd })]
    })
  }

  /** Both halves of a wire cut here, the module's answer first; open where one half has no lead. */
  function cutsAt(connector: ConnectorId, cavity: number): TraceNode[] {
    const leads = joined(connector, cavity).filter(({ end }) => end.cut)
    if (leads.length === 0) return []
    const one = leads[0].end
    const other = leads.find(({ end }) => end.id === one.cut?.partner)
    if (!other)
      return [
        leaf('open', `cut for ${inSentence(one.name)}, its other half is open`, { connector, cavity, kitEnd: one.id }),
      ]
    return leads
      .map(({ end, half }) => ({ end, device: (half ?? end.cut?.half) === 'device' }))
      .sort((a, b) => Number(a.device) - Number(b.device))
      .map(({ end, device }) =>
        leaf(
          'cut',
          device
            ? `cut: ${inSentence(end.name)} is on the half from the device`
            : `cut: ${inSentence(end.name)} is on the half to the control unit`,
          { connector, cavity, kitEnd: end.id },
        ),
      )
  }

  const pairsAt = (connector: ConnectorId) =>
    kit.ends.flatMap((end) => {
      if (end.type !== 'inline-pair') return []
      const sides = connections.flatMap(({ kitEnd, to }) =>
        kitEnd === end.id && 'connector' in to && !('cavity' in to) && to.connector === connector
          ? [to.side ?? 'both']
          : [],
      )
      return sides.length > 0 ? [{ end, sides }] : []
    })

  /** A pair without a half for the device stands in its place. */
  function standInAt(connector: ConnectorId) {
    return pairsAt(connector).find(({ end }) => !end.deviceHalf)?.end
  }

  /** What stands between a factory plug and its device. */
  function pairAt(connector: ConnectorId, cavity: number): TraceNode | null {
    const found = pairsAt(connector).find(({ end }) => end.deviceHalf)
    if (!found) return null
    const { end, sides } = found
    const has = (side: 'factory' | 'device') => sides.includes(side) || sides.includes('both')
    const place = { kitEnd: end.id, connector, cavity }
    if (!has('factory')) return leaf('open', `${end.name}: the factory plug is not in the loom`, place)
    if (!has('device')) return leaf('open', `${end.name}: the loom is not on the device`, place)
    const line = end.lines.find((item) => item.cavity === cavity)
    const name = `${end.name} (${end.tag})`
    const colour = line ? { colour: line.colour } : {}
    switch (line?.does) {
      case 'interrupt':
        return leaf('changed', `${name}: into the module, changed there, and out again`, { ...place, ...colour })
      case 'tap':
        return leaf('tapped', `${name}: goes on, and is read by the module`, { ...place, ...colour })
      default:
        return leaf('through', `${name}: straight through`, { ...place, ...colour })
    }
  }

  return { from, on, seen: (wire: Wire) => seenWires.has(wire.id) }
}

function purposeOf(end: KitEnd): string {
  if (end.type !== 'flying-lead' && end.type !== 'ring') return 'joins here'
  const { signal } = end.wants
  if (signal.startsWith('supply')) return 'feeds the module from here'
  return signal === 'power-ground' || signal === 'sensor-ground'
    ? 'is the module’s ground here'
    : 'joins here and is read by the module'
}

const leastAlike = 3

/** Branches of one kind under one heading: twelve injectors are one line until it is opened. */
function folded(branches: TraceNode[]): TraceNode[] {
  const groups = new Map<string, TraceNode[]>()
  for (const branch of branches) {
    const key = shapeOf(branch)
    groups.set(key, [...(groups.get(key) ?? []), branch])
  }
  return [...groups.values()].flatMap((group): TraceNode[] => {
    if (group.length < leastAlike) return group
    const ends = group.map((branch) => allNodes(branch).findLast(({ kind }) => kind === 'device')?.words ?? '')
    if (ends.some((words) => words === '')) return group
    return [
      leaf('alike', `${group.length} alike: ${ends[0]} to ${inSentence(ends[ends.length - 1])}`, { children: group }),
    ]
  })
}

/** Alike are branches with the same stations that end in devices of one kind, whatever their number. */
function shapeOf(node: TraceNode): string {
  const own = node.kind === 'device' ? `device ${node.words.replace(/[\d\s]+/g, ' ')}` : node.kind
  return `${own}(${node.children.map(shapeOf).join(',')})`
}
