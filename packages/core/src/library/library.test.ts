import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { wireShort } from '../dossiers/index.ts'
import { shippedKit, shippedKits, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { findWires, proposeMatches } from '../wiring/index.ts'
import { fitOf, plugsLike, rowsOfFace, searchLibrary } from './index.ts'

const all = [...shippedMachines, ...shippedKits]

describe('a search through everything', () => {
  test('finds the wires that find any wire finds, machine by machine', () => {
    const words = shippedMachines.flatMap((machine) =>
      machine.wires.flatMap((wire) => {
        const net = machine.nets.find(({ id }) => id === wire.net)
        return [wireShort(wire.colour), ...(net?.name.split(/[\s,()]+/) ?? []), String(wire.areaMm2)]
      }),
    )
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 3 }), (list) => {
        const query = list.join(' ')
        const found = searchLibrary(shippedMachines, query, 100)
        for (const machine of shippedMachines) {
          const wires = findWires(machine, query, 10_000)
          const here = found.find(({ id }) => id === machine.id)
          if (wires.length > 0) expect([query, machine.id, here !== undefined]).toEqual([query, machine.id, true])
          // What the machine's own name answers is the machine.
          if (here && here.hits[0]?.what !== 'dossier') expect(here.count).toBeGreaterThanOrEqual(wires.length)
        }
      }),
      { numRuns: 120 },
    )
  })

  test('knows colours in any order and language, a name beside them, and what a kit has', () => {
    const first = (query: string) => searchLibrary(all, query).map(({ name, hits }) => [name, hits[0]?.says])
    expect(first('grey/violet throttle')[0]).toEqual([
      'Pellick Gorse 430',
      'Throttle sensor plug, cavity 2: Throttle position, grey with violet stripe',
    ])
    expect(first('violett grau throttle')).toEqual(first('violet grey throttle'))
    expect(first('kittiwake crank').map(([name]) => name)).toEqual(['Ostrel Kittiwake 640 Four'])
    expect(first('kittiwake')).toEqual([
      ['Ostrel Kittiwake 640 Four', 'sport motorcycle, 2014 to 2021'],
      ...first('kittiwake').slice(1),
    ])
    expect(searchLibrary(all, 'Quernby P1 crank').every(({ kind }) => kind === 'kit')).toBe(true)
  })

  test('says how many there are and shows the first of them; nothing asked finds nothing', () => {
    const [gnd] = searchLibrary(shippedMachines, 'ground')
    expect(gnd?.hits.length).toBe(6)
    expect(gnd?.count).toBeGreaterThan(6)
    expect(searchLibrary(all, '  ')).toEqual([])
    expect(searchLibrary(all, 'unobtainium')).toEqual([])
    expect(searchLibrary(all, 'ground', 3)).toHaveLength(3)
  })
})

describe('a plug in the hand', () => {
  test('any plug of any machine, described as it is, is among those in which nothing differs', () => {
    for (const machine of shippedMachines)
      for (const plug of machine.connectors) {
        const { colour, outline, key } = plug.shell
        const like = plugsLike(
          shippedMachines,
          { cavities: plug.cavities.length, rows: rowsOfFace(plug), colour, outline, key },
          1000,
        )
        const it = like.find((one) => one.machine === machine.id && one.connector === plug.id)
        expect([plug.id, it?.differs]).toEqual([plug.id, []])
      }
  })

  test('what differs is said, and comes after; another number of cavities is another plug', () => {
    const like = plugsLike(shippedMachines, { cavities: 3, colour: 'white', rows: 1 }, 1000)
    const differing = like.map(({ differs }) => differs.length)
    expect(differing).toEqual([...differing].sort((a, b) => a - b))
    expect(like.at(-1)?.differs[0]).toMatch(/^(white|1 row), here /)
    expect(plugsLike(shippedMachines, { cavities: 77 })).toEqual([])
  })
})

describe('which kit could go where', () => {
  test('a kit on the machine it is made for: what the match says', () => {
    const [machine, kit] = [shippedMachine('pellick-gorse-430'), shippedKit('quernby-p1')]
    const fit = fitOf(machine, kit)
    const placed = proposeMatches(machine, kit).filter(({ target }) => target !== null)
    expect(fit).toMatchObject({ declared: true, missing: [] })
    expect(fit.placed).toBeLessThanOrEqual(placed.length)
    expect(fit.ends).toBeGreaterThanOrEqual(fit.placed)
  })

  test('a kit for eight injectors does not go on a single, and its sheet does not say so', () => {
    const fit = fitOf(shippedMachine('ostrel-pika-449'), shippedKit('quernby-p4-eight'))
    expect(fit.declared).toBe(false)
    expect(fit.missing.length).toBeGreaterThan(3)
  })

  test('made for each other: nothing that is needed is left without a place', () => {
    for (const kit of shippedKits)
      for (const id of kit.fits) expect([kit.id, id, fitOf(shippedMachine(id), kit).missing]).toEqual([kit.id, id, []])
  })
})
