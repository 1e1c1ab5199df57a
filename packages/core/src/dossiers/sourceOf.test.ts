import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { deviceRole, machineIndex, sourceOf, surfacesOf, type Machine } from './index.ts'
import { comesTo } from './sourceOf.ts'

/** Where a circuit comes from, in the words of the machine. */
function from(machine: Machine, id: string): string {
  const { nets, studs, connectors } = machineIndex(machine)
  const net = nets.get(ref(id))
  const source = net && sourceOf(machine, net, surfacesOf(machine, net))
  if (!source || 'splice' in source) return 'nowhere'
  return ('stud' in source ? studs.get(source.stud)?.name : connectors.get(source.connector)?.device) ?? 'nowhere'
}

test.each([
  ['a fuse box before the switches that its fuse feeds', 'ostrel-kittiwake-640', 'lamps-f', 'fuse box'],
  ['a memory fuse, though a switch block hangs on it', 'tarnbrook-calder-1130', 'bat-mem', 'fuse box'],
  ['the key, though the fuse box is fed by it', 'ostrel-kittiwake-640', 'ign', 'ignition switch'],
  ['a relay by name, though the fuses behind it are boxes too', 'corvane-marlow-29', 'main-out', 'main relay'],
  ['a fuse by name, though the relay it feeds hands on too', 'hallam-voss-shieling-21', 'bat-ecu', 'engine fuse box'],
  ['a lamp switch, not the brake switch behind it', 'pellick-skua-960', 'lamps', 'lamp switch'],
  ['a brake switch, though the body fuse box has its lamps', 'hallam-voss-shieling-21', 'stop-l', 'brake switch'],
  ['the control unit where nothing hands it on', 'pellick-gorse-430', 'lamps', 'ECU'],
  ['as the document states it', 'pellick-rime-790', 'v12', 'regulator'],
  ['the post before anything else', 'hallam-voss-longhaul-69', 'bat', 'Left battery positive'],
])('a supply comes from %s', (_says, id, net, expected) => {
  const machine = shippedMachines.find((item) => item.id === id)
  if (!machine) throw new Error(id)
  expect(from(machine, net)).toBe(expected)
})

describe.each(shippedMachines.map((machine) => ({ name: machine.id, machine })))('$name', ({ machine }) => {
  test('every source is a place of its own circuit, and none of a switched supply is what only looks on', () => {
    for (const net of machine.nets) {
      const source = sourceOf(machine, net, surfacesOf(machine, net))
      if (!source) continue
      expect(comesTo(machine, net.id, source), net.id).toBe(true)
      const plug = 'connector' in source ? machineIndex(machine).connectors.get(source.connector) : undefined
      if (plug && net.signal.startsWith('supply'))
        expect(['instrument', 'diagnostic socket', 'bus end'], net.id).not.toContain(deviceRole(plug))
    }
  })

  test('a place that is not among those asked about is no answer', () => {
    for (const net of machine.nets) {
      const places = surfacesOf(machine, net)
      const [first] = places
      if (first) expect(sourceOf(machine, net, [first])).toEqual(first)
      expect(sourceOf(machine, net, [])).toBeNull()
    }
  })
})
