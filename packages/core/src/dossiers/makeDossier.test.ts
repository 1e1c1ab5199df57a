import { ref } from '../shared/refCase.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  blankMachine,
  cloneMachine,
  colourNames,
  compareDossiers,
  faceGeometry,
  gridCavities,
  idFrom,
  machineGaps,
  newConnector,
  parseMachine,
  pinoutCsv,
  readPinoutRows,
  splitPinoutTable,
  withPinout,
  withoutStud,
  type CavityEntry,
  type Machine,
} from './index.ts'
import { shippedMachine } from '../wiring/shippedCase.ts'

const marlow = shippedMachine('corvane-marlow-29')

describe('a pasted pinout table', () => {
  test('from a spreadsheet, with headings in another order', () => {
    const table = splitPinoutTable('Signal\tPin\tFarbe\nKurbelwelle\t1\tweiß/rot\nMasse\t2\tbraun\n')
    expect(table.mapping).toEqual({ signal: 0, cavity: 1, colour: 2 })
    expect(readPinoutRows(table, table.mapping)).toEqual({
      problems: [],
      rows: [
        { line: 2, cavity: 1, signal: 'Kurbelwelle', colour: { base: 'white', stripe: 'red' } },
        { line: 3, cavity: 2, signal: 'Masse', colour: { base: 'brown' } },
      ],
    })
  })

  test('without headings the columns are guessed from what stands in them', () => {
    const table = splitPinoutTable('1,bk/pk,Injector drive,0.5\n2,rd/wh,Feed,0.75\n')
    expect(table.mapping).toEqual({ cavity: 0, colour: 1, signal: 2, area: 3 })
  })

  test('a line that cannot be read is named and left out, the others are taken', () => {
    const table = splitPinoutTable('1,mud,A\n1,red,B\nx,red,C\n4,red,D\n')
    const read = readPinoutRows(table, { cavity: 0, colour: 1, signal: 2 })
    expect(read.rows).toEqual([{ line: 4, cavity: 4, signal: 'D', colour: { base: 'red' } }])
    expect(read.problems.map((problem) => problem.message)).toEqual([
      'Line 1: "mud" is no colour. Try bk, br, rd, or, ye, gn, bu, vi, gy, wh, pk.',
      'Line 2: cavity 1 stands in line 1 already.',
      'Line 3: "x" is no cavity number.',
    ])
  })

  test('lettered cavities, empty ones and gauges as sheets write them', () => {
    const table = splitPinoutTable(
      'A1,R/W,Feed,AWG 20\nA2,BK/W,Ground,18 AWG\nA3,—,n/c,\nB1,W,Signal,0.5\nB3,n/c,—,-\n',
    )
    expect(table.mapping).toEqual({ cavity: 0, colour: 1, signal: 2, area: 3 })
    const { rows, problems } = readPinoutRows(table, table.mapping)
    expect(problems).toEqual([])
    expect(rows.map((row) => [row.label, row.cavity, row.colour, row.areaMm2])).toEqual([
      ['A1', 1, { base: 'red', stripe: 'white' }, 0.518],
      ['A2', 2, { base: 'black', stripe: 'white' }, 0.823],
      ['A3', 3, undefined, undefined],
      ['B1', 4, { base: 'white' }, 0.5],
      ['B3', 6, undefined, undefined],
    ])
  })

  test('what is written out reads back in', () => {
    const csv = pinoutCsv(marlow, 'airflow')
    const table = splitPinoutTable(csv)
    expect(table.mapping).toMatchObject({ cavity: 1, colour: 2, signal: 3, area: 4 })
    const rows = readPinoutRows(table, table.mapping)
    expect(rows.rows.map((row) => row.colour)).toEqual(
      marlow.connectors[0].cavities.map(
        ({ number }) =>
          marlow.wires.find((wire) =>
            [wire.from, wire.to].some(
              (place) => 'connector' in place && place.connector === 'airflow' && place.cavity === number,
            ),
          )?.colour,
      ),
    )
  })
})

describe('a machine made by hand', () => {
  const start = () => {
    const empty = blankMachine(ref('hut-quad'), 'Unknown', 'Hut quad')
    const plug = newConnector(empty, { name: 'Crank plug', count: 3, rows: 1, layout: 'grid' })
    return { ...empty, connectors: [plug] }
  }

  test('a half-finished one parses as a draft and names its gaps', () => {
    const machine = withPinout(start(), ref('crank-plug'), [
      { cavity: 1, colour: { base: 'brown' }, signal: 'Sensor ground' },
      { cavity: 2, colour: { base: 'white', stripe: 'orange' }, signal: '' },
    ])
    expect(parseMachine(machine)).toMatchObject({ ok: true })
    expect(machineGaps(machine).map((gap) => gap.says)).toEqual([
      'Where Sensor ground goes from here is not written down.',
      'Where Crank plug 2 goes from here is not written down.',
    ])
  })

  test('the same circuit name at two plugs joins them; a third makes a splice', () => {
    let machine: Machine = start()
    for (const name of ['ECU plug', 'Speed plug'])
      machine = {
        ...machine,
        connectors: [...machine.connectors, newConnector(machine, { name, count: 3, rows: 1, layout: 'grid' })],
      }
    const brown: CavityEntry = { cavity: 1, colour: { base: 'brown' }, signal: 'Sensor ground' }
    machine = withPinout(machine, ref('crank-plug'), [brown])
    machine = withPinout(machine, ref('ecu-plug'), [{ ...brown, signal: 'sensor ground' }])
    expect(machine.wires).toHaveLength(1)
    expect(machine.nets).toHaveLength(1)
    machine = withPinout(machine, ref('speed-plug'), [brown])
    expect(machine.wires.every((wire) => 'splice' in wire.to)).toBe(true)
    expect(machineGaps(machine).map((gap) => gap.says)).toEqual(['What Sensor ground carries is not known yet.'])
  })

  test('any pinout is kept as entered, and the document stays whole', () => {
    const entry = (cavity: number) =>
      fc.record({
        cavity: fc.constant(cavity),
        colour: fc.constantFrom(...colourNames).map((base) => ({ base })),
        signal: fc.constantFrom('', 'A', 'B', 'C'),
      })
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3 }).chain(entry), { maxLength: 3 }), (entries) => {
        const unique = [...new Map(entries.map((item) => [item.cavity, item])).values()]
        const machine = withPinout(start(), ref('crank-plug'), unique)
        const parsed = parseMachine(machine)
        if (!parsed.ok) throw new Error(parsed.problems[0].message)
        const held = machine.wires.flatMap((wire) =>
          [wire.from, wire.to].flatMap((place) =>
            'connector' in place ? [`${place.cavity} ${wire.colour.base}`] : [],
          ),
        )
        expect(held.sort()).toEqual(unique.map((item) => `${item.cavity} ${item.colour.base}`).sort())
      }),
    )
  })

  test('entered again as it stands, a plug changes nothing; one colour changed is one line', () => {
    const entriesAs = (change: (cavity: number) => CavityEntry['colour']) =>
      marlow.connectors[0].cavities.flatMap(({ number }): CavityEntry[] => {
        const wire = marlow.wires.find((item) =>
          [item.from, item.to].some(
            (place) => 'connector' in place && place.connector === 'airflow' && place.cavity === number,
          ),
        )
        const net = marlow.nets.find((item) => item.id === wire?.net)
        return wire && net
          ? [{ cavity: number, colour: change(number) ?? wire.colour, signal: net.name, areaMm2: wire.areaMm2 }]
          : []
      })
    expect(
      compareDossiers(
        marlow,
        withPinout(
          marlow,
          ref('airflow'),
          entriesAs(() => undefined),
        ),
      ),
    ).toEqual([])
    const changed = withPinout(
      marlow,
      ref('airflow'),
      entriesAs((cavity) => (cavity === 1 ? { base: 'pink' } : undefined)),
    )
    expect(compareDossiers(marlow, changed).map((item) => item.says)).toEqual([
      'Wire Sensor heater 12 V, fuse 15 A at Airflow meter plug, cavity 1: red with brown stripe is now plain pink',
    ])
  })

  test('a clone is a draft of its own and says where it comes from', () => {
    const copy = cloneMachine(marlow, ref('marlow-van'), 'Marlow van')
    expect(copy).toMatchObject({ id: 'marlow-van', draft: true, version: 1 })
    expect(copy.source).toBe(`Varied from Corvane Marlow 2.9, version ${marlow.version}.`)
    expect(marlow.draft).toBeUndefined()
  })
})

describe('two versions', () => {
  test('a wire that changed its colour is one line', () => {
    const next = structuredClone(marlow)
    const wire = next.wires.find((item) => item.net === 'maf')
    if (!wire) throw new Error('the saloon has an airflow wire')
    wire.colour = { base: 'white', stripe: 'violet' }
    expect(compareDossiers(marlow, next)).toEqual([
      {
        what: 'changed',
        of: 'Wire',
        says: 'Wire Airflow signal at Airflow meter plug, cavity 3: plain white is now white with violet stripe',
      },
    ])
  })

  test('a cover, a zone, a passage: what of it is otherwise is named, and what it is now where that is short', () => {
    const next = structuredClone(marlow)
    const cover = next.covers?.[0]
    const zone = next.zones[0]
    const passage = next.passages?.[0]
    if (!cover || !passage) throw new Error('the saloon has covers and passages')
    Object.assign(cover, { name: 'Side cover', off: { best: 2, likely: 3, worst: 9 }, hot: true, saves: ['a clip'] })
    Object.assign(zone, { airC: 99 })
    Object.assign(passage, { lengthM: undefined })
    expect(compareDossiers(marlow, next).map((change) => change.says)).toEqual([
      `Zone ${zone.name}: air, °C is now 99`,
      `Cover Side cover: was called "${marlow.covers?.[0].name}"; minutes off is now 2/3/9; what is saved changed; hot: yes`,
      `Passage ${passage.name}: length, m is now not said`,
    ])
  })

  test('plugs added and taken out are named; equal versions differ in nothing', () => {
    const next = structuredClone(marlow)
    const [gone] = next.connectors.splice(0, 1)
    next.connectors.push({ ...gone, id: ref('new-plug'), name: 'New plug' })
    expect(compareDossiers(marlow, next).map((change) => change.says)).toEqual([
      'Plug added: New plug',
      'Plug taken out: Airflow meter plug',
    ])
    expect(compareDossiers(marlow, structuredClone(marlow))).toEqual([])
  })

  test('what is only stated where nothing was said is one line; what is stated otherwise is told', () => {
    const before = structuredClone(marlow)
    for (const plug of before.connectors) delete plug.role
    for (const plug of before.connectors) delete plug.endsBus
    for (const stud of before.studs) delete stud.role
    for (const net of before.nets) delete net.source
    const [{ says }, ...more] = compareDossiers(before, marlow)
    expect(more).toEqual([])
    expect(says).toMatch(/^Stated now: what \d+ plugs sit on, what 6 studs are for, where \d+ circuits come from$/)
    const next = structuredClone(marlow)
    const box = next.connectors.find(({ role }) => role === 'fuse box')
    const fed = next.nets.find(({ source }) => source && 'connector' in source && source.connector === box?.id)
    const post = next.studs.find(({ role }) => role === 'battery positive')
    if (!box || !fed || !post) throw new Error('the saloon has a fuse box and a battery')
    box.role = 'relay'
    fed.source = { stud: post.id }
    post.role = 'live'
    expect(compareDossiers(marlow, next).map((change) => change.says)).toEqual([
      `Plug ${box.name}: sits on: relay`,
      `Circuit ${fed.name}: comes from ${post.name}`,
      `Stud ${post.name}: is for: live`,
    ])
  })

  test('a source that its circuit does not come to any more is forgotten, and refused where it is written', () => {
    const fed = marlow.nets.find(({ source }) => source && 'connector' in source)
    if (!fed?.source || !('connector' in fed.source)) throw new Error('the saloon has a supply from a plug')
    const bare = withPinout(marlow, fed.source.connector, [])
    expect(bare.nets.find(({ id }) => id === fed.id)?.source).toBeUndefined()
    const post = marlow.studs.find(({ role }) => role === 'battery negative')
    expect(withoutStud(marlow, post?.id ?? ref('')).batteries).not.toContain(post?.id)
    const wrong = structuredClone(marlow)
    const net = wrong.nets.find(({ id }) => id === fed.id)
    if (net) net.source = { stud: ref('engine-ground') }
    const parsed = parseMachine(wrong)
    expect(parsed.ok ? [] : parsed.problems.map(({ code, path }) => [code, path])).toContainEqual([
      'source-elsewhere',
      `nets.${wrong.nets.findIndex(({ id }) => id === fed.id)}.source`,
    ])
  })
})

describe('faces', () => {
  test('cavities lie inside the face, apart from each other, for any count and rows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 160 }),
        fc.integer({ min: 1, max: 5 }),
        fc.constantFrom('grid' as const, 'staggered' as const),
        (count, rows, layout) => {
          const cavities = gridCavities(count, rows, layout)
          expect(cavities.map((cavity) => cavity.number)).toEqual(Array.from({ length: count }, (_, i) => i + 1))
          const places = new Set(cavities.map((cavity) => `${cavity.x}/${cavity.y}`))
          expect(places.size).toBe(count)
          for (const { x, y } of cavities) expect(x > 0 && x < 10 && y > 0 && y < 10).toBe(true)
        },
      ),
    )
  })

  test('the mating side is the mirror image of the wire side', () => {
    for (const connector of marlow.connectors) {
      const wire = faceGeometry(connector, 'wire side')
      const mating = faceGeometry(connector, 'mating side')
      const centre = wire.body.x + wire.body.width / 2
      wire.cavities.forEach((cavity, i) => {
        expect(cavity.x - centre).toBeCloseTo(centre - mating.cavities[i].x, 6)
        expect(cavity.y).toBe(mating.cavities[i].y)
      })
    }
  })

  test('no two cavities of any shipped plug overlap in the drawing', () => {
    for (const connector of marlow.connectors) {
      const { cavities } = faceGeometry(connector, 'wire side')
      for (const a of cavities)
        for (const b of cavities)
          if (a !== b)
            expect(
              Math.abs(a.x - b.x) >= a.size - 0.01 || Math.abs(a.y - b.y) >= a.size - 0.01,
              `${connector.id} ${a.cavity.number} ${b.cavity.number}`,
            ).toBe(true)
    }
  })

  test('an id is made of a name and never twice the same', () => {
    expect(idFrom('Crank sensor plug', [])).toBe('crank-sensor-plug')
    expect(idFrom('Öl-Druck', ['ol-druck'])).toBe('ol-druck-2')
    expect(idFrom('', ['x'])).toBe('x-2')
  })
})

test('three injectors under one name are three circuits, each with its own wire; a shared feed stays one', () => {
  let machine = blankMachine(ref('three'), 'Somebody', 'Three')
  for (const n of [1, 2, 3]) {
    const plug = newConnector(machine, { name: `Injector plug ${n}`, count: 2, rows: 1, layout: 'grid' })
    machine = { ...machine, connectors: [...machine.connectors, plug] }
  }
  const colours = [{ base: 'green' }, { base: 'blue' }, { base: 'yellow' }] as const
  machine.connectors.forEach((connector, i) => {
    machine = withPinout(machine, connector.id, [
      { cavity: 1, colour: { base: 'red' }, signal: 'Feed' },
      { cavity: 2, colour: colours[i], signal: 'Injector' },
    ])
  })
  expect(machine.nets.map((net) => net.name)).toEqual([
    'Feed',
    'Injector',
    'Injector, plain blue',
    'Injector, plain yellow',
  ])
  for (const net of machine.nets.slice(1))
    expect(new Set(machine.wires.filter((wire) => wire.net === net.id).map((wire) => wire.colour.base)).size).toBe(1)
})
