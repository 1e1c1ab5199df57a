import { describe, expect, test } from 'vitest'
import {
  blankMachine,
  composeVariant,
  newConnector,
  parseMachine,
  variantLists,
  withPinout,
  type Machine,
  type VariantId,
} from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import {
  bodyFields,
  drawnPartFields,
  editedAs,
  engineFields,
  filterFields,
  machineCautions,
  machineHead,
  machineListFields,
  machineLists,
  mixtureFields,
  powerFields,
  stepFields,
  stepRow,
  textsOf,
  variantChanges,
  withDrawnPart,
  withEdited,
  withMachineRow,
  withTyped,
  withVariant,
  withWires,
  withoutDrawnPart,
} from './index.ts'

describe.each(shippedMachines)('$id', (machine) => {
  test('all of it as its forms show it, typed again, changes nothing', () => {
    const forms = [machineHead, engineFields, powerFields, bodyFields, filterFields, machineCautions]
    for (const fields of [...forms, ...(machine.target ? [mixtureFields] : [])])
      expect(withTyped('machine', machine, [], fields, textsOf(machine, fields))).toEqual({ ok: true, value: machine })
    for (const list of machineLists)
      machine[list].forEach((item, i) => {
        const fields = list === 'steps' ? [...stepRow, ...stepFields] : machineListFields(list)
        expect(withMachineRow(machine, list, i, textsOf(item, fields))).toEqual({ ok: true, value: machine })
      })
    machine.body?.parts?.forEach((part, i) => {
      const fields = drawnPartFields(machine)
      expect(withDrawnPart(machine, i, textsOf(part, fields))).toEqual({ ok: true, value: machine })
    })
  })

  test('a variant that is written on and left as it was composes to the same machine', () => {
    for (const { id } of machine.variants) {
      const composed = editedAs(machine, id)
      const after = withEdited(machine, id, composed)
      expect(editedAs(after, id)).toEqual({ ...composed, variants: after.variants })
      expect({ ...after, variants: [] }).toEqual({ ...machine, variants: [] })
      expect(parseMachine(after).ok).toBe(true)
    }
  })

  test('any other variant of it is written down whole: from one to the next and back', () => {
    for (const one of machine.variants)
      for (const other of machine.variants) {
        const target = composeVariant(machine, other.id)
        if (!target.ok) throw new Error(other.id)
        const lists = (from: Machine) =>
          variantLists.map((list) => [...(from[list] ?? [])].sort((a, b) => a.id.localeCompare(b.id)))
        const after = withEdited(machine, one.id, target.value)
        expect(lists(editedAs(after, one.id))).toEqual(lists(target.value))
      }
  })
})

describe('a variant', () => {
  const base = shippedMachine('corvane-tiller-14')

  test('begins like the machine, and takes what is written on it alone', () => {
    const { machine, variant } = withVariant(base, 'With tow bar', 'A socket under the bumper.')
    expect(machine.variants.map(({ id }) => id as string)).toEqual(['from-2018', 'with-tow-bar'])
    expect(editedAs(machine, variant).wires).toEqual(base.wires)
    const plug = newConnector(machine, { name: 'Trailer plug', count: 2, rows: 1, layout: 'grid' })
    const plugged = { ...editedAs(machine, variant), connectors: [...machine.connectors, plug] }
    const wired = withPinout(plugged, plug.id, [{ cavity: 2, colour: { base: 'black' }, signal: 'Body ground' }])
    const after = withEdited(machine, variant, { ...wired, studs: wired.studs.slice(1) })
    expect(after.connectors).toEqual(base.connectors)
    expect(after.wires).toEqual(base.wires)
    const [, made] = after.variants
    expect(made.connectors.map(({ id }) => id as string)).toEqual(['trailer-plug'])
    expect(made.wires.map(({ id }) => id as string)).toEqual(['gnd-trailer-plug-2'])
    expect(made.remove).toEqual([{ list: 'studs', id: base.studs[0].id }])
    expect(variantChanges(made)).toEqual([
      { list: 'connectors', count: 1 },
      { list: 'wires', count: 1 },
      { list: 'studs', count: 1 },
    ])
    expect(editedAs(after, variant).connectors).toHaveLength(base.connectors.length + 1)
    // What is no list of a variant is the machine's own.
    expect(withEdited(machine, variant, { ...editedAs(machine, variant), years: '2015 on' }).years).toBe('2015 on')
  })

  test('that is not there is the machine itself', () => {
    const nowhere = asId<VariantId>('nowhere')
    expect(editedAs(base, nowhere)).toBe(base)
    expect(withEdited(base, nowhere, { ...base, years: 'x' }).years).toBe('x')
  })
})

describe('wires that are typed', () => {
  test('are of the kind their circuit is called, and stay unknown where the name says nothing', () => {
    const base = blankMachine(asId('hut-mule'), 'Hut', 'Mule')
    const plug = newConnector(base, { name: 'Injector plug', count: 6, rows: 1, layout: 'grid' })
    const names = ['Injector 1 drive', 'Switched supply', 'Throttle signal', 'Sensor ground', 'Warp', 'Battery 12 V']
    const entries = names.map((signal, i) => ({ cavity: i + 1, signal, colour: { base: 'red' as const } }))
    const { nets } = withWires({ ...base, connectors: [plug] }, plug.id, entries)
    expect(nets.map(({ signal, role, cylinder }) => [signal, role, cylinder])).toEqual([
      ['injector-drive', 'injector', 1],
      ['supply-switched', 'supply', undefined],
      ['analogue-0-5', 'throttle-position', undefined],
      ['sensor-ground', 'ground', undefined],
      ['unknown', 'unknown', undefined],
      ['unknown', 'unknown', undefined],
    ])
  })
})

describe('what does not read', () => {
  const machine = shippedMachine('hallam-voss-wainwright-56')
  const said = (made: ReturnType<typeof withTyped<'machine'>>) =>
    made.ok ? 'kept' : made.problems.map(({ path, message }) => `${path}: ${message}`)

  test('is said at its field, and the machine stays', () => {
    const type = (fields: Parameters<typeof withTyped>[3], texts: Record<string, string>) =>
      said(withTyped('machine', machine, [], fields, texts))
    expect(type(engineFields, { idle: 'slow' })).toEqual(['idle: "slow" is no figure in rpm.'])
    expect(type(engineFields, { cylinders: '40' })).toEqual([
      expect.stringMatching(/^cylinders: Cylinders is too large/),
    ])
    expect(type(bodyFields, { wheel: '9 m' })).toEqual([expect.stringMatching(/^wheel: Wheel is too large/)])
    expect(type(mixtureFields, { afr: '14 13\nrich 12' })).toEqual([expect.stringContaining('"rich" is no figure')])
    expect(type(machineHead, { class: '' })).toEqual(['class: Class: nothing stands here yet.'])
    expect(type(engineFields, { fuel: 'petrol', stoich: '14,6' })).toBe('kept')
    expect(said(withMachineRow(machine, 'zones', 0, { conditions: 'hot windy' }))).toEqual([
      expect.stringMatching(/^conditions: It is must be one of/),
    ])
  })

  test('a part of the drawing goes and comes back', () => {
    const made = withDrawnPart(machine, null, { id: 'fan', dx: '-40', gone: 'yes' })
    if (!made.ok) throw new Error('not kept')
    expect(made.value.body?.parts?.at(-1)).toEqual({ id: 'fan', dx: -0.04, gone: true })
    expect(withoutDrawnPart(made.value, 3)).toEqual(machine)
    let left: Machine = made.value
    for (let i = 0; i < 4; i++) left = withoutDrawnPart(left, 0)
    expect(left.body).not.toHaveProperty('parts')
  })
})
