import { colourNames, gridCavities, type Kit, type Machine } from '../dossiers/index.ts'
import type { Connector, KitEnd, Net, Wire } from '../dossiers/writtenCase.ts'
import { asWritten, seededRandom } from '../shared/index.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'

/** A made-up machine and kit of any size, consistent by construction, for properties and for measuring speed. */
export function randomLoom(seed: number, plugs: number): { machine: Machine; kit: Kit; intended: Map<string, string> } {
  const random = seededRandom(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]
  const base = shippedMachine('pellick-gorse-430')
  const colour = () => {
    const ground = pick(colourNames)
    const stripe = pick(colourNames)
    return stripe === ground || random.uniform() < 0.2 ? { base: ground } : { base: ground, stripe }
  }
  const posts: string[] = ['battery-negative', 'battery-positive']
  const nets: Net[] = [
    { id: 'ign', name: 'Switched 12 V', signal: 'supply-switched', role: 'supply', spareA: 2 },
    { id: 'ref5', name: '5 V reference', signal: 'reference-5v', role: 'supply' },
    { id: 'sgnd', name: 'Sensor ground', signal: 'sensor-ground', role: 'ground' },
    { id: 'gnd', name: 'Power ground', signal: 'power-ground', role: 'ground' },
    { id: 'bat', name: 'Battery', signal: 'supply-always', role: 'supply' },
    { id: 'lamp', name: 'Lamp', signal: 'supply-switched', role: 'lamp', spareA: 0.5 },
  ]
  const kinds = [
    { signal: 'injector-drive', role: 'injector', pins: 2 },
    { signal: 'coil-drive', role: 'coil', pins: 2 },
    { signal: 'frequency', role: 'crank', pins: 3 },
    { signal: 'analogue-0-5', role: 'throttle-position', pins: 3 },
    { signal: 'analogue-0-5', role: 'rail-pressure', pins: 3 },
    { signal: 'analogue-0-5', role: 'boost-pressure', pins: 3 },
    { signal: 'analogue-0-5', role: 'oil-pressure', pins: 3 },
    { signal: 'analogue-0-5', role: 'coolant-temperature', pins: 2 },
    { signal: 'frequency', role: 'vehicle-speed', pins: 3 },
  ] as const
  const shared: Record<string, Wire['colour']> = Object.fromEntries(nets.map((net) => [net.id, colour()]))
  const wires: Wire[] = []
  const connectors: Connector[] = []
  const counts = new Map<string, number>()
  const shells = (['rectangle', 'oval'] as const).flatMap((outline) =>
    (['none', 'flat', 'notch', 'two ribs'] as const).map((key) => ({ outline, key })),
  )
  const wire = (net: string, connector: string, cavity: number, given?: Wire['colour']) =>
    wires.push({
      id: `${net}-${connector}-${cavity}`,
      net,
      from: { connector, cavity },
      to: { splice: `${net}-splice` },
      colour: given ?? shared[net],
      areaMm2: 0.5,
    })
  for (let i = 0; i < plugs; i++) {
    const kind = kinds[i % kinds.length]
    const cylinder = (counts.get(kind.role) ?? 0) + 1
    counts.set(kind.role, cylinder)
    const id = `${kind.role}-${cylinder}`
    nets.push({ id, name: `${kind.role} ${cylinder}`, signal: kind.signal, role: kind.role, cylinder })
    connectors.push({
      id: `plug-${id}`,
      name: `Plug of ${kind.role} ${cylinder}`,
      device: `${kind.role} ${cylinder}`,
      zone: pick(base.zones).id,
      place: 'somewhere',
      shell: { family: `sealed ${kind.pins}-way`, colour: pick(['black', 'grey', 'brown'] as const), ...pick(shells) },
      gender: 'female',
      cavities: gridCavities(kind.pins, 1),
      lock: { kind: 'thumb tab', opens: 'Press.' },
    })
    const own = colour()
    const powered = kind.signal === 'injector-drive' || kind.signal === 'coil-drive'
    if (kind.pins === 3) wire('ref5', `plug-${id}`, 1)
    wire(id, `plug-${id}`, 2, own)
    if (kind.pins === 3) wire('sgnd', `plug-${id}`, 3)
    else wire(powered ? 'ign' : 'sgnd', `plug-${id}`, 1)
    wires.push({
      id: `${id}-ecu`,
      net: id,
      from: { splice: `${id}-splice` },
      to: { connector: 'ecu', cavity: i + 7 },
      colour: own,
      areaMm2: 0.5,
    })
  }
  for (const [i, net] of ['ign', 'ref5', 'sgnd', 'gnd', 'bat', 'lamp'].entries()) wire(net, 'ecu', i + 1)
  for (const net of ['gnd', 'bat', 'ign', 'ref5', 'sgnd', 'lamp']) {
    const place =
      net === 'gnd'
        ? { stud: 'battery-negative' }
        : net === 'bat'
          ? { stud: 'battery-positive' }
          : { connector: 'fuse', cavity: ['ign', 'ref5', 'sgnd', 'lamp'].indexOf(net) + 1 }
    wires.push({
      id: `${net}-source`,
      net,
      from: place,
      to: { splice: `${net}-splice` },
      colour: shared[net],
      areaMm2: 2,
    })
  }
  const box = (id: string, count: number): Connector => ({
    ...connectors[0],
    id,
    name: `${id} plug`,
    device: id,
    zone: base.zones[0].id,
    cavities: gridCavities(count, 3),
    ...(id === 'ecu' ? { ecu: true } : {}),
  })
  connectors.push(box('ecu', plugs + 6), box('fuse', 4))
  const machine = asWritten<Machine>({
    ...base,
    id: `random-${seed}`,
    connectors,
    nets,
    wires,
    covers: [],
    places: [],
    spots: [],
    passages: [],
    ways: [],
    batteries: [],
    studs: base.studs
      .filter((stud) => posts.includes(stud.id))
      .map((stud) => ({ ...stud, net: stud.id === 'battery-negative' ? 'gnd' : 'bat' })),
    engine: { ...base.engine, cylinders: Math.max(1, ...counts.values()) },
    variants: [],
  })
  const intended = new Map<string, string>()
  const devices = connectors.slice(0, plugs).filter(() => random.uniform() < 0.45)
  const ends = devices.map((connector, i): KitEnd => endFor(machine, connector, i, (to) => intended.set(`e${i}`, to)))
  const kit = asWritten<Kit>({
    ...shippedKit('quernby-p1'),
    id: `random-kit-${seed}`,
    fits: [machine.id],
    ends: [
      ...ends,
      {
        type: 'ring',
        id: 'ground',
        tag: 'G',
        name: 'Ground ring',
        breakOutM: 0.1,
        branchM: 0.3,
        needed: true,
        colour: { base: 'black' },
        areaMm2: 0.85,
        wants: { signal: 'power-ground', role: 'ground' },
        holeMm: 6.4,
        sheet: [],
      },
      {
        type: 'port',
        id: 'port',
        tag: 'P',
        name: 'Port',
        breakOutM: 0,
        branchM: 0.1,
        needed: true,
        closedBy: 'terminator',
      },
    ],
    terminators: 1,
  })
  return { machine, kit, intended }
}

function endFor(machine: Machine, connector: Connector, i: number, intend: (to: string) => void): KitEnd {
  const of = (cavity: number) =>
    machine.wires.find(
      (wire) => 'connector' in wire.from && wire.from.connector === connector.id && wire.from.cavity === cavity,
    )
  const base = { id: `e${i}`, tag: `E${i}`, name: `End ${i}`, breakOutM: 0.3, branchM: 0.2 + 0.01 * i, needed: true }
  const lines = connector.cavities.flatMap(({ number }) => {
    const wire = of(number)
    const net = machine.nets.find((item) => item.id === wire?.net)
    if (!wire || !net) return []
    const { signal, role, cylinder } = net
    return [
      {
        cavity: number,
        does: number === 2 ? ('interrupt' as const) : ('pass' as const),
        wants: { signal, role, ...(cylinder === undefined ? {} : { cylinder }) },
        colour: wire.colour,
        areaMm2: 0.5,
      },
    ]
  })
  const signal = lines.find((line) => line.cavity === 2)
  if (signal && i % 3 === 2 && signal.wants.signal === 'analogue-0-5') {
    intend(`${connector.id}/2`)
    return {
      ...base,
      type: 'flying-lead',
      colour: signal.colour,
      areaMm2: 0.35,
      wants: signal.wants,
      sheet: [{ machine: machine.id, colour: signal.colour }],
    }
  }
  intend(connector.id)
  return {
    ...base,
    type: 'inline-pair',
    cavities: connector.cavities,
    lines,
    factoryHalf: { shell: connector.shell, gender: 'male' },
    deviceHalf: { shell: connector.shell, gender: 'female' },
  }
}
