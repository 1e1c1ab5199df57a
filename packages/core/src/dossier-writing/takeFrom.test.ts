import { describe, expect, test } from 'vitest'
import { blankMachine, machineIndex, parseKit, parseMachine, wireAt } from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { shippedKits, shippedMachines } from '../wiring/shippedCase.ts'
import { kitFromClass, takenFromKit, takenFromMachine, thingsOf } from './index.ts'

describe('a thing of another', () => {
  test.each(shippedMachines)('each of $id goes into a blank machine, and into the next one twice', (other) => {
    const blank = { ...blankMachine(asId('hut-mule'), 'Hut', 'Mule'), engine: other.engine }
    const next = shippedMachines[(shippedMachines.indexOf(other) + 1) % shippedMachines.length]
    for (const { list, id } of thingsOf(other).filter((_, i) => i % 3 === 0)) {
      const taken = takenFromMachine(blank, other, list, id)
      const parsed = parseMachine(taken)
      // A step alone may want one that comes before it: that is said until it is taken too.
      const said = parsed.ok ? [] : parsed.problems.map(({ code }) => code)
      expect(said, `${list} ${id}`).toEqual(list === 'steps' && said.length > 0 ? ['impossible-order'] : [])
      const twice = takenFromMachine(takenFromMachine(next, other, list, id), other, list, id)
      const ids = (twice[list as 'steps'] ?? []).map((item) => item.id)
      expect(new Set(ids).size).toBe(ids.length)
      expect(ids.length).toBe((next[list as 'steps'] ?? []).length + 2)
    }
  })

  test.each(shippedMachines)('a plug of $id comes with its wires and what they are for', (other) => {
    const blank = { ...blankMachine(asId('hut-mule'), 'Hut', 'Mule'), engine: other.engine }
    const plug = other.connectors.find((item) => /injector|rail/i.test(item.name)) ?? other.connectors[0]
    const taken = takenFromMachine(blank, other, 'connectors', plug.id)
    const [nets, theirs] = [machineIndex(taken).nets, machineIndex(other).nets]
    for (const { number } of plug.cavities) {
      const [here, there] = [wireAt(taken, plug.id, number), wireAt(other, plug.id, number)]
      expect(here?.colour).toEqual(there?.colour)
      if (here && there) expect(nets.get(here.net)?.role).toBe(theirs.get(there.net)?.role)
    }
  })

  test.each(shippedKits)('each of $id goes into a kit begun from nothing', (other) => {
    const kit = kitFromClass('something else', { id: asId('hut-box'), maker: 'Hut', model: 'Box' })
    for (const { list, id } of thingsOf(other)) {
      const taken = takenFromKit(takenFromKit(kit, other, list, id), other, list, id)
      expect(parseKit(taken), `${list} ${id}`).toEqual({ ok: true, value: taken })
    }
  })

  test('that is not there changes nothing', () => {
    const [machine, other] = shippedMachines
    for (const list of ['connectors', 'covers', 'places', 'steps'] as const)
      expect(takenFromMachine(machine, other, list, 'moon')).toBe(machine)
    const [kit, another] = shippedKits
    expect(takenFromKit(kit, another, 'ends', 'moon')).toBe(kit)
    expect(takenFromKit(kit, another, 'steps', 'moon')).toBe(kit)
  })
})
