import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { machineIndex, type Kit, type Machine, type Wire } from '../dossiers/index.ts'
import { plannedConnections } from './plannedConnections.ts'
import type { Connection } from './model.ts'
import { proposeMatches } from './proposeMatches.ts'
import { fittings, shippedKit, shippedMachine, shippedMachines } from './shippedCase.ts'
import { allNodes, traceTree, type TraceNode, type TraceTree } from './traceTree.ts'

const nodesOf = ({ tree, apart }: TraceTree) => [tree, ...apart].flatMap(allNodes)
const counted = (nodes: readonly TraceNode[], kind: TraceNode['kind']) =>
  nodes.filter((node) => node.kind === kind).length
const planned = (machine: Machine, kit: Kit) => plannedConnections(machine, kit, proposeMatches(machine, kit))

/** Wires joined with each other through splices and studs alone: the groups a loom falls into, by colouring. */
function groupsOf(wires: readonly Wire[]): number {
  const group = new Map(wires.map((wire, i) => [wire.id, i]))
  const meets = (a: Wire, b: Wire) =>
    [a.from, a.to].some((one) =>
      [b.from, b.to].some((two) => !('connector' in one) && JSON.stringify(one) === JSON.stringify(two)),
    )
  for (let changed = true; changed;) {
    changed = false
    for (const a of wires)
      for (const b of wires) {
        const [x, y] = [group.get(a.id) ?? 0, group.get(b.id) ?? 0]
        if (x === y || !meets(a, b)) continue
        for (const [id, value] of group) if (value === x || value === y) group.set(id, Math.min(x, y))
        changed = true
      }
  }
  return new Set(group.values()).size
}

describe.each(shippedMachines.map((machine) => ({ name: machine.id, machine })))('circuits of $name', ({ machine }) => {
  const kit = shippedKit('quernby-p1')

  test('every wire is in its tree once, no splice is invented, all is reached', () => {
    for (const net of machine.nets) {
      const own = machine.wires.filter((wire) => wire.net === net.id)
      if (own.length === 0) continue
      const found = traceTree(machine, kit, [], net.id)
      const nodes = nodesOf(found)
      const ends = own.flatMap((wire) => [wire.from, wire.to])
      const splices = new Set(ends.flatMap((place) => ('splice' in place ? [place.splice] : [])))
      // Looms that are mated go on as circuits of their own.
      const mates = ends.some(
        (place) => 'connector' in place && machineIndex(machine).connectors.get(place.connector)?.mates,
      )
      if (!mates) expect(counted(nodes, 'wire'), net.id).toBe(own.length)
      if (!mates) expect(counted(nodes, 'splice'), net.id).toBe(splices.size)
      expect(counted(nodes, 'open'), net.id).toBe(0)
      expect(found.module).toBe('nothing')
      expect(found.apart.length, net.id).toBeLessThan(Math.max(1, groupsOf(own)))
    }
  })

  test('a supply begins where it is handed on, a sensor ground at the control unit', () => {
    for (const net of machine.nets) {
      const { tree } = traceTree(machine, kit, [], net.id)
      if (
        net.signal === 'sensor-ground' &&
        machineIndex(machine)
          .placesOfNet.get(net.id)
          ?.some(({ connector }) => machineIndex(machine).connectors.get(connector)?.ecu)
      )
        expect(tree.kind, net.id).toBe('control unit')
    }
  })
})

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', ({ machine, kit }) => {
  const made = planned(machine, kit)

  test('every lead hangs on its own branch, once, and every line of a pair stands before its device', () => {
    const all = machine.nets.flatMap((net) => nodesOf(traceTree(machine, kit, made, net.id)))
    for (const { kitEnd, to } of made) {
      const end = kit.ends.find(({ id }) => id === kitEnd)
      if (end?.type === 'flying-lead' && 'cavity' in to)
        expect(all.filter((node) => node.kitEnd === kitEnd).length, kitEnd).toBe(1)
      if (end?.type === 'inline-pair' && end.deviceHalf && 'connector' in to) {
        const wires = machineIndex(machine).wiresOf.get(to.connector) ?? []
        const lines = end.lines.filter(({ cavity }) => wires.some((wire) => wire.cavity === cavity))
        const shown = all.filter((node) => node.kitEnd === kitEnd && node.connector === to.connector)
        expect(shown.length, kitEnd).toBeGreaterThanOrEqual(lines.length)
      }
    }
  })

  test('with any one end off nothing is invented: what it opened is open, everything else is as before', () => {
    for (const left of new Set(made.map(({ kitEnd }) => kitEnd))) {
      const rest = made.filter(({ kitEnd }) => kitEnd !== left)
      const nodes = machine.nets.flatMap((net) => nodesOf(traceTree(machine, kit, rest, net.id)))
      expect(nodes.filter((node) => node.kitEnd === left && node.kind !== 'open')).toEqual([])
    }
  })
})

/** What the injectors live from. */
const feedOf = (machine: Machine) =>
  machine.nets.find(({ signal, name }) => signal === 'supply-switched' && /injector/i.test(name))?.id ?? ref('')

describe('pictures a fitter knows', () => {
  test('a cut: from the control unit the answer, then the question, then the meter; with one half off the meter stands apart', () => {
    const marlow = shippedMachine('corvane-marlow-29')
    const a2 = shippedKit('thistle-a2')
    const made = planned(marlow, a2)
    const whole = traceTree(marlow, a2, made, ref('maf'))
    expect(whole.apart).toEqual([])
    const cuts = nodesOf(whole).filter(({ kind }) => kind === 'cut')
    expect(cuts.map(({ kitEnd }) => kitEnd)).toEqual(['maf-out', 'maf-in'])
    const open = traceTree(
      marlow,
      a2,
      made.filter(({ kitEnd }) => kitEnd !== 'maf-in'),
      ref('maf'),
    )
    expect(counted(allNodes(open.tree), 'open')).toBe(1)
    expect(counted(allNodes(open.tree), 'device')).toBe(0)
  })

  test('a controller stands in the place of the control unit and drives what it drove', () => {
    const pika = shippedMachine('ostrel-pika-449')
    const core = shippedKit('wren-core-34')
    const drive = pika.nets.find(({ signal }) => signal === 'injector-drive')
    const found = traceTree(pika, core, planned(pika, core), drive?.id ?? ref(''))
    expect(found.tree.kind).toBe('module')
    expect(found.module).toBe('changes it')
    expect(nodesOf(found).some(({ kind, words }) => kind === 'device' && /injector/i.test(words))).toBe(true)
  })

  test('injectors on one supply are one line until it is opened; the bus has a resistor at either end', () => {
    const kittiwake = shippedMachine('ostrel-kittiwake-640')
    const p4 = shippedKit('quernby-p4-eight')
    const trees = kittiwake.nets.map((net) => traceTree(kittiwake, p4, [], net.id))
    const folded = trees.flatMap(nodesOf).filter(({ kind }) => kind === 'alike')
    expect(folded.some(({ words }) => /^\d+ alike: .*[Ii]njector/.test(words))).toBe(true)
    for (const node of folded) expect(node.children.length).toBeGreaterThanOrEqual(3)
    const bus = kittiwake.nets.find(({ signal }) => signal === 'bus-high')
    const fed = traceTree(kittiwake, p4, planned(kittiwake, p4), feedOf(kittiwake))
    expect(fed.module).toBe('lives from it')
    if (bus) expect(counted(nodesOf(traceTree(kittiwake, p4, [], bus.id)), 'resistor')).toBe(2)
  })

  test('an unknown circuit is a broken contract', () => {
    const connections: Connection[] = []
    expect(() =>
      traceTree(shippedMachine('ostrel-pika-449'), shippedKit('wren-core-34'), connections, ref('ghost')),
    ).toThrow('circuit "ghost" is not in machine')
  })
})
