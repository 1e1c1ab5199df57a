import { kitDocument } from './kitDocument.ts'
import type { Kit } from './written.ts'

const sockets: Kit['sockets'] = [
  { id: 'socket-switch', name: 'Map switch socket, green ring', style: 'socket' },
  { id: 'socket-radio', name: 'Radio socket, blue ring', style: 'socket' },
]
const plugs = `
  plug switch | S | Map switch plug | 0.10 1.45 | socket-switch for switch | socket-switch socket-radio | gn | Green ring to green ring; the radio socket takes the same plug and answers nothing.
  plug radio | A | Radio link plug | 0.05 0.25 | socket-radio | socket-switch socket-radio | bu | Blue ring to blue ring.
  vent pressure | H | Pressure port | 0.00 0.02 | The controller reads the weather through it: capped or full of water it fuels for another height.`
const parts: [string, string, number, ('stop' | 'note')?][] = [
  ['switch', 'Map switch', 1],
  ['radio', 'Radio link', 1],
  ['seal', 'Plug seal', 1, 'stop'],
  ['bag', 'Bag for the ECU that comes out', 1],
]
const settings: Kit['settings'] = [
  {
    id: 'map',
    name: 'Map in use',
    unit: '',
    choices: ['soft', 'full'],
    shipped: 'soft',
    why: 'With no switch fitted the map chosen here is the one that runs.',
  },
  {
    id: 'throttle-zero',
    name: 'Throttle zero',
    unit: 'V',
    low: 0.3,
    high: 0.9,
    shipped: '0.50',
    captured: true,
    why: 'Captured at first key-on, throttle let go.',
  },
]
const common = {
  sockets,
  parts,
  settings,
  naming: [
    {
      id: 'rings',
      kind: 'colour' as const,
      ends: ['switch', 'radio'],
      says: 'Both small plugs enter both sockets: ring colour to ring colour.',
    },
  ],
  trunkM: 0.2,
  lamp: 'The lamp blinks until the throttle set-up was made, then lights steady.',
  authority: 'At idle switch between both maps: the sound must change at once.',
  tune: "Ride on the soft map first; then the full one. Its own tables are changed only with its maker's software.",
  cautions: [
    'The controller replaces the ECU: the factory ECU is bagged, labelled and handed to the owner.',
    "A machine with another controller may lose its type approval for the road; the maker's data and local law come first.",
    'Never press a rag or thumb on the pressure port.',
  ],
  returnToStock: [
    'Key off, battery negative off.',
    'Switch and radio plug out, factory plug off the controller and back on the factory ECU until its lever closes.',
    'Controller and switch out.',
    'Start: idle may hunt for a minute until the ECU has learnt again.',
  ],
}

export function wrenCore34(): Kit {
  return kitDocument({
    ...common,
    id: 'wren-core-34',
    maker: 'Wren',
    model: 'Core, 34-way',
    system: 'plug-in controller with pressure port, map switch and radio link',
    source: "Laid out and measured on the yard's bench, 2026-01.",
    fits: ['ostrel-pika-449'],
    module: {
      name: 'Core controller',
      supplyA: 0.45,
      idleMa: 1.2,
      sleeps: true,
      sizeMm: [138, 108, 40],
      maxC: 85,
      sealed: true,
    },
    ends: `
      pair ecu | E | Controller header | 0.00 0.05 | sealed black rectangle two-ribs | 1 cut supply-always:supply rd/bk 0.85; 2 cut supply-switched:supply rd/wh 0.75; 3 cut power-ground:ground bk/wh 0.85; 4 cut sensor-ground:ground bk/br 0.35; 5 cut reference-5v:supply or 0.35; 6 cut injector-drive:injector pk/bk 0.5; 7 cut coil-drive:coil ye/bk 0.75; 8 cut frequency:crank gn 0.35; 10 cut analogue-0-5:throttle-position:t1 ye 0.35 | one side, face 34 in 2
      ${plugs}`,
    lay: 'Only the switch lead is laid: along the frame to the bar, with a loop at the steering head.',
    mount: 'Set the controller where the ECU sat, pressure port downwards, do not fix it yet.',
    more: [
      {
        id: 'throttle-setup',
        station: 'set-up',
        needs: { power: 'on', unstarted: true },
        minutes: { best: 1, likely: 3, worst: 8 },
        text: 'Throttle set-up: key on, throttle let go for five seconds, fully open for five, let go. Lamp steady: done.',
        caution: 'Prove the return to zero before the first start.',
      },
    ],
  })
}

export function wrenCore48(): Kit {
  return kitDocument({
    ...common,
    id: 'wren-core-48',
    maker: 'Wren',
    model: 'Core, 48-way',
    system: 'plug-in controller for two-stroke twins, with pressure port, map switch and radio link',
    source: "Laid out and measured on the yard's bench, 2026-03.",
    fits: ['pellick-rime-790'],
    module: {
      name: 'Core controller',
      supplyA: 0.6,
      idleMa: 1.2,
      sleeps: true,
      sizeMm: [146, 118, 42],
      maxC: 85,
      sealed: true,
    },
    ends: `
      pair ecu | E | Controller header | 0.00 0.05 | sealed black rectangle two-ribs | 1 cut supply-switched:supply rd/ye 1; 2 cut supply-switched:supply rd/bk 1; 3 cut power-ground:ground bk 1.25; 4 cut power-ground:ground bk/ye 0.85; 5 cut sensor-ground:ground bk/wh 0.5; 6 cut reference-5v:supply rd/wh 0.5; 7 cut injector-drive:injector:c1 gn/rd 0.75; 8 cut injector-drive:injector:c2 gn/ye 0.75; 11 cut frequency:crank wh 0.5 | one side, face 48 in 3
      pair bench | N | Bench supply plug | 0.05 0.60 | sealed white rectangle flat | tap supply-switched:supply rd/bk 1; tap power-ground:ground bk 1.25 | one side
      ${plugs}`,
    lay: 'Only the switch lead is laid: up the steering post, with a loop.',
    mount: 'Set the controller where the ECU sat, pressure port downwards, do not fix it yet.',
    more: [
      {
        id: 'bench-power',
        station: 'set-up',
        needs: { power: 'off', unstarted: true },
        minutes: { best: 5, likely: 12, worst: 25 },
        text: 'Without a battery: bench supply {bench}, on the white bench plug. Load the map, then take it off.',
        caution: 'Polarity: white cap, pin 1 is plus. Nobody near the track.',
      },
      {
        id: 'throttle-setup',
        station: 'set-up',
        needs: { power: 'on', unstarted: true },
        minutes: { best: 1, likely: 3, worst: 8 },
        text: 'Throttle set-up: throttle let go for five seconds, fully open for five, let go. Lamp steady: done.',
        caution: 'Prove the return to zero before the first start.',
      },
    ],
  })
}

export function wrenSelector(): Kit {
  return kitDocument({
    id: 'wren-selector',
    maker: 'Wren',
    model: 'Selector',
    system: 'rotary level switch',
    source: "Laid out and measured on the yard's bench, 2026-06.",
    places: [
      { machine: 'hallam-voss-packhorse-62', place: 'dash-knee' },
      { machine: 'hallam-voss-longhaul-69', place: 'dash-knee' },
    ],
    fits: ['hallam-voss-longhaul-69', 'hallam-voss-packhorse-62'],
    module: {
      name: 'Selector',
      supplyA: 0.06,
      idleMa: 0.4,
      sleeps: true,
      sizeMm: [48, 48, 36],
      maxC: 60,
      sealed: false,
      seen: true,
    },
    trunkM: 0.3,
    ends: `
      lead feed | F | Feed lead, red | 0.30 0.60 | rd 0.5 | supply-switched supply | draws 0.06, sheet hallam-voss-longhaul-69=wh/pk, sheet hallam-voss-packhorse-62=pk/wh
      ring ground | G | Ground ring | 0.30 0.60 | bk 0.5 | power-ground ground | 6.4 | sheet hallam-voss-longhaul-69=cab-ground, sheet hallam-voss-packhorse-62=cab-ground
      lead bus-h | H | Bus lead high, yellow | 0.30 0.50 | ye 0.35 | bus-high bus | sheet hallam-voss-longhaul-69=ye, sheet hallam-voss-packhorse-62=ye
      lead bus-l | L | Bus lead low, green | 0.30 0.50 | gn 0.35 | bus-low bus | sheet hallam-voss-longhaul-69=gn, sheet hallam-voss-packhorse-62=gn
      port link | P | Link port | 0.05 0.05 | cap`,
    naming: [
      {
        id: 'bus',
        kind: 'strict order',
        ends: ['bus-h', 'bus-l'],
        says: 'The bus leads are in strict order: swapped, the truck throws lamps at once.',
      },
    ],
    parts: [
      ['port-cap', 'Port cap', 1, 'stop'],
      ['tap', 'Piercing screw tap', 3],
    ],
    settings: [
      {
        id: 'steps',
        name: 'Positions',
        unit: '',
        choices: ['3', '5'],
        shipped: '5',
        why: 'As many as the module has levels.',
      },
    ],
    lay: 'Lay the lead behind the lower dash to the switch; nothing crosses the yellow airbag sheath.',
    mount: 'Hold the switch where the hand finds it, away from the knees, do not fix it yet.',
    lamp: 'One light shows the position with the key on.',
    authority: 'Turn it through all positions with the engine off: the module lamp must follow.',
    tune: 'Nothing to tune: show the owner which position is stock.',
    cautions: ['Airbag wiring (yellow sheath) is left alone.', 'The level is chosen standing, not on a bend.'],
    returnToStock: [
      'Key off, all battery negatives off.',
      'Take off feed and bus joints, insulate each factory wire; ground ring off.',
      'Selector out.',
    ],
  })
}
