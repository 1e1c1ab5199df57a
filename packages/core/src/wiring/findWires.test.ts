import { describe, expect, test } from 'vitest'
import { machineIndex, wireName } from '../dossiers/index.ts'
import { findWires } from './findWires.ts'
import { shippedMachine, shippedMachines } from './shippedCase.ts'

const marlow = shippedMachine('corvane-marlow-29')

describe('any wire is found', () => {
  const all = findWires(marlow, '', 1000)
  const striped = all.find(({ wire }) => wire.includes(' with '))
  const [base = '', stripe = ''] = (striped?.wire ?? '').replace(' stripe', '').split(' with ')

  test('by its two colours in either order, as asked first', () => {
    const right = findWires(marlow, `${base} ${stripe}`, 1000)
    expect(right[0].wire).toBe(`${base} with ${stripe} stripe`)
    const turned = findWires(marlow, `${stripe} ${base}`, 1000)
    expect(turned.map((item) => `${item.connector} ${item.cavity}`).sort()).toEqual(
      right.map((item) => `${item.connector} ${item.cavity}`).sort(),
    )
  })

  test.each(['grey violet', 'gy/vi', 'grau violett', 'gris violet', 'violett-grau'])('%s: the same wires', (query) => {
    const wires = findWires(marlow, query, 1000).map((item) => item.wire)
    expect(new Set(wires)).toEqual(
      new Set(['grey with violet stripe', 'violet with grey stripe'].filter((w) => wires.includes(w))),
    )
    expect(wires.length).toBeGreaterThan(0)
  })

  test('by a figure with its unit, however it is written', () => {
    for (const query of ['5v', '5 V', '5 v reference']) expect(findWires(marlow, query).length).toBeGreaterThan(0)
    expect(findWires(marlow, '5v', 1000)).toEqual(findWires(marlow, '5 V', 1000))
  })

  test('by its cross-section, with a point or a comma', () => {
    const { wiresOf } = machineIndex(marlow)
    for (const query of ['0.75', '0,75', '0.75 mm²', '0,75mm2']) {
      const found = findWires(marlow, query, 1000)
      expect(found.length).toBeGreaterThan(0)
      for (const { connector, cavity } of found)
        expect(wiresOf.get(connector)?.find((item) => item.cavity === cavity)?.wire.areaMm2).toBe(0.75)
    }
  })

  test('by colour and words together', () => {
    const [some] = all.filter(({ net }) => net.length > 4)
    const found = findWires(
      marlow,
      `${some.wire.replace(' with ', '/').replace(' stripe', '')} ${some.net.split(' ')[0]}`,
      1000,
    )
    expect(found.map(({ connector, cavity }) => [connector, cavity])).toContainEqual([some.connector, some.cavity])
  })
})

test('every wire of every machine is found by its colours, its circuit and its cavity', () => {
  for (const machine of shippedMachines)
    for (const [connector, list] of machineIndex(machine).wiresOf)
      for (const { cavity, wire } of list.slice(0, 6)) {
        const net = machineIndex(machine).nets.get(wire.net)
        const found = findWires(machine, `${wireName(wire.colour)} ${net?.name} ${cavity}`, 2000)
        expect([
          machine.id,
          connector,
          cavity,
          found.some((item) => item.connector === connector && item.cavity === cavity),
        ]).toEqual([machine.id, connector, cavity, true])
      }
})
