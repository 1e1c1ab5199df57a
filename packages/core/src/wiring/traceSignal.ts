import {
  wireAt,
  inSentence,
  machineIndex,
  type Kit,
  type Machine,
  type Net,
  type NetId,
  type KitEndId,
  netAt,
} from '../dossiers/index.ts'
import type { Connection } from './model.ts'
import { traceTree, type TraceNode, type TraceTree } from './traceTree.ts'

/** One station on the way of a signal. */
export type Hop = Omit<TraceNode, 'children' | 'words'> & { says: string }

/** One way a signal takes, from where it starts to one of its ends. */
export interface SignalWay {
  hops: Hop[]
  /** False: something on the way is open, or nothing leads to it. */
  whole: boolean
}

export interface SignalTrace extends Pick<TraceTree, 'net' | 'name' | 'module'> {
  ways: SignalWay[]
}

/**
 * A circuit way by way: control unit (or source), wires, splices, plugs, what stands in between, device.
 * @param connections as planned or as built
 * @throws where the machine has no such circuit
 */
export function traceSignal(machine: Machine, kit: Kit, connections: readonly Connection[], netId: NetId): SignalTrace {
  const { net, name, module, tree, apart } = traceTree(machine, kit, connections, netId)
  const ways = waysOf(tree).map((hops): SignalWay => ({ hops, whole: hops.every(({ kind }) => kind !== 'open') }))
  return { net, name, module, ways: [...ways, ...apart.flatMap(waysOf).map((hops) => ({ hops, whole: false }))] }
}

/** From a node to each of its ends; leads joined beside the way are stations of it. */
function waysOf({ children, words, ...station }: TraceNode): Hop[][] {
  const own: Hop = { ...station, says: words }
  const isBeside = ({ kind }: TraceNode) => kind === 'joined' || kind === 'resistor'
  const beside = children.filter(isBeside).flatMap((node) => waysOf(node).flat())
  const on = children.filter((node) => !isBeside(node)).flatMap(waysOf)
  const here = station.kind === 'alike' ? [] : [own]
  return on.length === 0 ? [[...here, ...beside]] : on.map((hops) => [...here, ...beside, ...hops])
}

/**
 * Circuits that a set of connections touches: those that the module changes first, supplies and grounds last, else in the order of the
 * kit's ends.
 */
export function touchedNets(machine: Machine, kit: Kit, connections: readonly Connection[]): NetId[] {
  const index = machineIndex(machine)
  const found = kit.ends.flatMap((end) =>
    connections
      .filter((made) => made.kitEnd === end.id)
      .flatMap(({ to }) => {
        if ('stud' in to) return [{ net: index.studs.get(to.stud)?.net, changed: false }]
        if (!('connector' in to)) return []
        const netIn = (cavity: number) => wireAt(machine, to.connector, cavity)?.net
        if ('cavity' in to)
          return [{ net: netIn(to.cavity), changed: end.type === 'flying-lead' && end.cut !== undefined }]
        const lines = end.type === 'inline-pair' ? end.lines : []
        return lines
          .filter((line) => line.does !== 'pass')
          .map((line) => ({ net: netIn(line.cavity), changed: line.does === 'interrupt' }))
      }),
  )
  const rank = new Map<NetId, number>()
  for (const { net, changed } of found) {
    if (net === undefined) continue
    const carries = /^(supply|power-ground|sensor-ground|reference)/.test(index.nets.get(net)?.signal ?? '')
    rank.set(net, Math.min(rank.get(net) ?? 2, changed && !carries ? 0 : carries ? 2 : 1))
  }
  return [...rank].sort(([, a], [, b]) => a - b).map(([net]) => net)
}

/** Where the module gets a signal from, or what it acts on. */
export interface ModuleSource {
  what: Net['role']
  does: 'reads' | 'changes'
  kitEnd: KitEndId
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
      const net = netAt(machine, to.connector, line.cavity)
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
