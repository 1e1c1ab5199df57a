import { describe, expect, test } from 'vitest'
import { busEnds, machineIndex, sourceOf, surfacesOf, type Machine, type MeterState } from '../dossiers/index.ts'
import { feedOptions } from '../electrical/index.ts'
import { plannedConnections, proposeMatches, traceTree } from '../wiring/index.ts'
import { fittings, shippedMachines } from '../wiring/shippedCase.ts'
import { buildCircuit } from './buildCircuit.ts'
import type { FittedKit, ProbePlace } from './model.ts'

/** The machine with its devices and studs called by words that say nothing. */
function unnamed(machine: Machine): Machine {
  const words = new Map<string, string>()
  // Numbers stay: injector 1 and injector 2 are of one kind.
  const opaque = (name: string) => {
    const kind = name.replace(/\d+/g, '')
    const known = words.get(kind) ?? `Teil ${'xy'.repeat(words.size + 1)}`
    words.set(kind, known)
    return `${known} ${name.replace(/\D+/g, ' ')}`
  }
  return {
    ...machine,
    connectors: machine.connectors.map((item) => ({ ...item, name: opaque(item.name), device: opaque(item.device) })),
    studs: machine.studs.map((item) => ({ ...item, name: opaque(item.name) })),
  }
}

/** As documents were written before roles were stated. */
function unstated(machine: Machine): Machine {
  return {
    ...machine,
    connectors: machine.connectors.map(({ role: _role, endsBus: _ends, ...item }) => item),
    studs: machine.studs.map(({ role: _role, ...item }) => item),
    nets: machine.nets.map(({ source: _source, ...item }) => item),
  }
}

function readings(machine: Machine, fitted: FittedKit[], state: MeterState): (number | null)[] {
  const circuit = buildCircuit(machine, fitted, { state })
  const black: ProbePlace = { bare: 'metal' }
  const { wiresOf } = machineIndex(machine)
  const places = machine.connectors.flatMap(({ id }) =>
    (wiresOf.get(id) ?? []).map(({ cavity }): ProbePlace => ({ connector: id, cavity })),
  )
  return places.map((red) => {
    const shown = circuit.reading(red, black)
    return shown.kind === 'floating' ? null : shown.kind === 'volts' ? shown.volts : shown.ohms
  })
}

const first = new Map(fittings.map((fitting) => [fitting.machine, fitting]))

describe.each([...first.values()])('what plugs and studs are there for is stated, $name', ({ machine, kit }) => {
  const plan = proposeMatches(machine, kit)
  const fitted = [{ kit, connections: plannedConnections(machine, kit, plan) }]

  test('what they are called changes no reading, no trace and no feed', () => {
    const other = unnamed(machine)
    for (const state of ['key off', 'key on', 'idling', 'battery off'] as const)
      expect(readings(other, fitted, state), state).toEqual(readings(machine, fitted, state))
    const shape = (whole: Machine) =>
      whole.nets.map((net) => JSON.stringify(traceTree(whole, kit, fitted[0].connections, net.id), kindsOnly))
    expect(shape(other)).toEqual(shape(machine))
    const feeds = (whole: Machine) => feedOptions(whole, kit, plan).map(({ id, kind, verdict }) => [id, kind, verdict])
    expect(feeds(other)).toEqual(feeds(machine))
  })
})

/** A tree without its words. */
function kindsOnly(key: string, value: unknown): unknown {
  return key === 'words' ? undefined : value
}

/** Circuits whose source cannot be told by what is on it: a regulator feeds it, the start relay only hangs on it. */
const onlyStated: Readonly<Record<string, string[]>> = { 'pellick-rime-790': ['v12'] }

describe.each(shippedMachines.map((machine) => ({ name: machine.id, machine })))(
  'a document of before says by its names what it states now, $name',
  ({ machine }) => {
    test('sources, ends of the bus and readings are the same', () => {
      const before = unstated(machine)
      expect(new Set(busEnds(before))).toEqual(new Set(busEnds(machine)))
      const sources = (whole: Machine) => whole.nets.map((net) => sourceOf(whole, net, surfacesOf(whole, net)))
      const [were, are] = [sources(before), sources(machine)]
      const differing = machine.nets.flatMap(({ id }, i) =>
        JSON.stringify(were[i]) === JSON.stringify(are[i]) ? [] : [id],
      )
      expect(differing).toEqual(onlyStated[machine.id] ?? [])
      if (differing.length === 0) expect(readings(before, [], 'key on')).toEqual(readings(machine, [], 'key on'))
    })

    test('every supply says where it comes from, every plug and stud what it is there for', () => {
      for (const { id, signal, source } of machine.nets)
        if (signal.startsWith('supply')) expect(source, id).toBeDefined()
      for (const { id, role, ecu, mates } of machine.connectors)
        if (!ecu && mates === undefined) expect(role, id).toBeDefined()
      for (const { id, role } of machine.studs) expect(role, id).toBeDefined()
    })
  },
)
