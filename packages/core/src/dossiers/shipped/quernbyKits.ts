import { kitDocument, sensorIn } from './kitDocument.ts'
import { eachOf } from './machineDocument.ts'
import type { Kit } from './written.ts'

const cylinders = [1, 2, 3, 4]
const ignition =
  'Petrol: too much or too little fuel destroys engines. Look at every cell before it is taken over, and ride a new table gently first.'
const lawful =
  "A changed mixture may be unlawful on public roads and may void cover; the maker's data and local law come first."
const trimSettings: Kit['settings'] = [
  {
    id: 'pulses',
    name: 'Crank pulses per turn',
    unit: '1/rev',
    low: 1,
    high: 36,
    shipped: '1',
    why: 'A wrong value shows exactly half or double the engine speed.',
  },
  {
    id: 'throttle-shut',
    name: 'Throttle shut',
    unit: 'V',
    low: 0.2,
    high: 1.5,
    shipped: '0.50',
    captured: true,
    why: 'Captured with the key on and the throttle let go: 0.45 to 0.75 V is usual.',
  },
  {
    id: 'throttle-open',
    name: 'Throttle open',
    unit: 'V',
    low: 3,
    high: 4.9,
    shipped: '4.00',
    captured: true,
    why: 'Captured with the throttle to the stop: 3.8 to 4.5 V is usual. By wire the blade need not follow with the key only on: then the unit’s own procedure captures it.',
  },
  {
    id: 'map',
    name: 'Map in use',
    unit: '',
    choices: ['stock', 'A', 'B'],
    shipped: 'stock',
    why: 'The unit ships on stock; with no switch fitted the map chosen here is the one that runs.',
  },
]
const feed = 'supply-switched:supply'

export function quernbyP4Eight(): Kit {
  const lower = ['pk/bk', 'pk/bu', 'pk/gn', 'pk/ye']
  const upper = ['vi/bk', 'vi/bu', 'vi/gn', 'vi/ye']
  const coil = ['or/bk', 'or/bu', 'or/gn', 'or/wh']
  return kitDocument({
    id: 'quernby-p4-eight',
    maker: 'Quernby',
    model: 'P4, eight-injector loom',
    system: 'pulse piggyback, two rows of four injectors, four coils',
    source: "Laid out and measured on the yard's bench, 2026-02.",
    fits: ['ostrel-kittiwake-640'],
    module: {
      name: 'P4 module',
      supplyA: 0.35,
      idleMa: 0.9,
      sleeps: true,
      sizeMm: [112, 78, 30],
      maxC: 80,
      sealed: true,
    },
    trunkM: 1.0,
    ends: `
      ${eachOf(cylinders, (n, i) => `pair low-${n} | L${n} | Lower injector pair ${n} | ${(0.88 + 0.04 * i).toFixed(2)} ${(0.2 + 0.06 * i).toFixed(2)} | sealed grey oval two-ribs | tap ${feed} rd/wh 0.75; cut injector-drive:injector:c${n}:lower ${lower[i]} 0.5`)}
      ${eachOf(cylinders, (n, i) => `pair up-${n} | U${n} | Upper injector pair ${n} | 1.00 ${(0.34 + 0.04 * i).toFixed(2)} | sealed grey oval two-ribs | tap ${feed} rd/wh 0.75; cut injector-drive:injector:c${n}:upper ${upper[i]} 0.5`)}
      ${eachOf(cylinders, (n, i) => `pair coil-${n} | C${n} | Coil pair ${n} | ${(0.88 + 0.04 * i).toFixed(2)} ${(0.36 + 0.04 * i).toFixed(2)} | sealed black oval notch | pass ${feed} rd/wh 0.75; cut coil-drive:coil:c${n} ${coil[i]} 0.75 | swap ${n === 1 || n === 4 ? 'outer' : 'inner'}`)}
      pair crank | K | Crank pair | 0.30 0.85 | sealed black rectangle flat | pass sensor-ground:ground br 0.5; tap frequency:crank ye/bk 0.5; pass reference-5v:supply ye 0.5
      lead throttle | T | Throttle lead | 1.00 0.32 | gy 0.35 | analogue-0-5 throttle-position | sheet ostrel-kittiwake-640=gy/bk
      lead speed | S | Speed lead | 0.30 0.90 | wh 0.35 | frequency vehicle-speed | spare, sheet ostrel-kittiwake-640=ye/wh
      lead gear | R | Gear lead | 0.30 0.85 | vi 0.35 | analogue-0-5 gear | spare, sheet ostrel-kittiwake-640=wh/ye
      ring ground | G | Ground ring | 0.10 0.55 | bk 0.85 | power-ground ground | 6.4 | sheet ostrel-kittiwake-640=battery-negative
      port bus | P | Bus port | 0.05 0.08 | terminator
      port option | O | Option port | 0.05 0.06 | cap`,
    terminators: 1,
    naming: [
      {
        id: 'rows',
        kind: 'colour',
        ends: [...cylinders.map((n) => `low-${n}`), ...cylinders.map((n) => `up-${n}`)],
        says: 'Pink on the loom is the lower row, violet the upper; the stripe counts the cylinders from the left.',
      },
      {
        id: 'injector-order',
        kind: 'strict order',
        ends: [...cylinders.map((n) => `low-${n}`), ...cylinders.map((n) => `up-${n}`)],
        says: 'Injectors are in strict order: each branch on its own cylinder and row.',
      },
      {
        id: 'coil-order',
        kind: 'interchangeable',
        ends: ['coil-1', 'coil-4'],
        says: 'Coils 1 and 4 fire together: these two branches may change places.',
      },
      {
        id: 'coil-order-inner',
        kind: 'interchangeable',
        ends: ['coil-2', 'coil-3'],
        says: 'Coils 2 and 3 fire together: these two branches may change places.',
      },
    ],
    parts: [
      ['tap', 'Piercing screw tap', 2],
      ['sleeve', 'Crimp with sealed sleeve', 3],
      ['terminator', 'Bus terminator', 1, 'stop'],
      ['port-cap', 'Port cap', 1, 'stop'],
      ['lead-cap', 'Lead cap', 3],
      ['pad', 'Hook-and-loop pad', 2],
    ],
    settings: [
      ...trimSettings,
      {
        id: 'cylinders',
        name: 'Cylinders',
        unit: '',
        choices: ['2', '4'],
        shipped: '4',
        why: 'Sets how many channels answer.',
      },
    ],
    trim: {
      rpm: [2000, 3500, 5000, 6500, 8000, 9500, 11000, 12500, 14000],
      load: [0, 2, 5, 10, 20, 40, 60, 80, 100],
      boundsPct: [-20, 25],
      actsOn: 'fuel',
      gain: 0.7,
      maxStepPct: 5,
      fullLoadPct: 80,
    },
    lay: 'Lay the trunk along the left spar, rows to the throttle bodies and the airbox lid, plugged into nothing.',
    mount: 'Set the module under the seat hump, lamp upwards, do not stick it yet.',
    lamp: 'The module lamp: dark with the key on is in order until it sees the engine turn, then steady.',
    authority:
      'At idle let the module drop each lower injector for half a second: that cylinder must stumble, then recover. The upper row answers only above 8,000 rpm.',
    cautions: [ignition, lawful],
    returnToStock: [
      'Key off, battery negative off.',
      'Take off throttle, speed and gear joints, insulate each factory wire.',
      'Part all injector, coil and crank pairs, factory plugs back on their devices until they click; tug.',
      'Ground ring off the battery post.',
      'Loom and module out, airbox, tank and seat on.',
    ],
  })
}

export function quernbyP4Twin(): Kit {
  const drives = ['gn/or', 'gn/bk', 'gn/gy', 'gn/pk']
  return kitDocument({
    id: 'quernby-p4-twin',
    maker: 'Quernby',
    model: 'P4, four-injector loom',
    system: 'pulse piggyback, four injectors, two coils; on a twin two branches stay capped',
    source: "Laid out and measured on the yard's bench, 2026-03.",
    fits: ['tarnbrook-saddler-880'],
    module: {
      name: 'P4 module',
      supplyA: 0.25,
      idleMa: 0.9,
      sleeps: true,
      sizeMm: [112, 78, 30],
      maxC: 80,
      sealed: true,
    },
    trunkM: 0.7,
    ends: `
      ${eachOf(cylinders, (n, i) => `pair injector-${n} | I${n} | Injector pair ${n} | ${(0.5 + 0.05 * i).toFixed(2)} ${(0.2 + 0.08 * i).toFixed(2)} | sealed grey oval two-ribs | tap ${feed} rd/ye 0.75; cut injector-drive:injector:c${n} ${drives[i]} 0.5 |${n > 2 ? ' spare' : ''}`)}
      pair coil-1 | C1 | Left coil pair | 0.55 0.40 | sealed black rectangle notch | pass ${feed} rd/ye 0.75; cut coil-drive:coil:c1 wh/or 0.75
      pair coil-2 | C2 | Right coil pair | 0.55 0.54 | sealed black rectangle notch | pass ${feed} rd/ye 0.75; cut coil-drive:coil:c2 wh/bk 0.75
      pair crank | K | Crank pair | 0.30 0.70 | sealed black oval flat | tap frequency:crank bu/wh 0.5; pass sensor-ground:crank wh/bu 0.5
      lead throttle | T | Throttle lead | 0.70 0.35 | gy 0.35 | analogue-0-5 throttle-position t1 | sheet tarnbrook-saddler-880=gy
      lead neutral | N | Neutral lead | 0.30 0.68 | vi 0.35 | switch neutral | sheet tarnbrook-saddler-880=vi/gy
      lead speed | S | Speed lead | 0.30 0.75 | wh 0.35 | frequency vehicle-speed | spare, near ecu, sheet tarnbrook-saddler-880=gy/vi
      ring ground | G | Ground ring | 0.10 0.60 | bk 0.85 | power-ground ground | 6.4 | sheet tarnbrook-saddler-880=frame-ground
      port bus | P | Bus port | 0.05 0.08 | terminator`,
    terminators: 1,
    naming: [
      {
        id: 'coils',
        kind: 'strict order',
        ends: ['coil-1', 'coil-2'],
        says: 'Coils are in strict order: the short branch is the left one, the long one the right.',
      },
      {
        id: 'coil-length',
        kind: 'length',
        ends: ['coil-1', 'coil-2'],
        says: 'Both coil branches look alike: 0.40 m is left, 0.54 m is right.',
      },
      {
        id: 'injectors',
        kind: 'strict order',
        ends: ['injector-1', 'injector-2'],
        says: 'Injector branch 1 is the left cylinder, 2 the right.',
      },
    ],
    parts: [
      ['tap', 'Piercing screw tap', 2],
      ['sleeve', 'Crimp with sealed sleeve', 3],
      ['terminator', 'Bus terminator', 1, 'stop'],
      ['lead-cap', 'Lead cap', 4],
      ['pad', 'Hook-and-loop pad', 1],
    ],
    settings: [
      ...trimSettings,
      {
        id: 'cylinders',
        name: 'Cylinders',
        unit: '',
        choices: ['2', '4'],
        shipped: '4',
        why: 'Ships on four; the twin needs two.',
      },
    ],
    trim: {
      rpm: [1500, 2500, 3500, 4500, 5500, 6500, 8000, 9500],
      load: [0, 5, 10, 20, 40, 60, 80, 100],
      boundsPct: [-20, 25],
      actsOn: 'fuel',
      gain: 0.7,
      maxStepPct: 5,
      fullLoadPct: 80,
    },
    lay: 'Lay the trunk along the backbone under the airbox, plugged into nothing; the crank branch goes down the left side.',
    mount: 'Set the module behind the ECU in front of the airbox, lamp upwards, do not stick it yet.',
    lamp: 'The module lamp: dark with the key on is in order until it sees the engine turn, then steady.',
    authority:
      'At idle let the module drop the left, then the right injector for half a second: that side must stumble. The wrong side means swapped branches.',
    cautions: [ignition, lawful],
    returnToStock: [
      'Key off, battery negative off.',
      'Take off throttle, neutral and speed joints, insulate each factory wire.',
      'Part all pairs, factory plugs back on their devices until they click; left coil plug on the left coil.',
      'Ground ring off the frame cluster.',
      'Loom and module out, airbox, tank, shrouds on.',
    ],
  })
}

export function quernbyLearner(): Kit {
  return kitDocument({
    id: 'quernby-learner',
    maker: 'Quernby',
    model: 'Learner',
    system: 'self-learning wideband box with dial',
    source: "Laid out and measured on the yard's bench, 2026-04.",
    fits: ['tarnbrook-calder-1130', 'pellick-skua-960'],
    module: { name: 'Learner box', supplyA: 0.13, idleMa: 110, sizeMm: [124, 82, 36], maxC: 70, sealed: false },
    trunkM: 0.6,
    ends: `
      lead relay-coil | R | Relay coil lead | 0.15 1.70 | rd/bk 0.5 | supply-switched lamp | draws 0.15, sheet tarnbrook-calder-1130=bu/wh, sheet pellick-skua-960=bn/wh
      ring relay-feed | B | Battery ring of the relay, with fuse | 0.15 0.60 | rd 1.5 | supply-always supply | 6.4 | draws 1.25, cold 3.1, fuse 10, sheet tarnbrook-calder-1130=battery-positive, sheet pellick-skua-960=battery-positive
      ring ground | G | Ground ring | 0.15 0.60 | bk 1.5 | power-ground ground | 6.4 | draws 1.25, cold 3.1, sheet tarnbrook-calder-1130=battery-negative, sheet pellick-skua-960=battery-negative
      lead reference | M | Measuring reference lead | 0.45 0.55 | bk/wh 0.35 | sensor-ground ground | reference, near ecu
      lead rpm | K | Engine speed lead | 0.45 0.60 | gn 0.35 | frequency crank | sheet tarnbrook-calder-1130=rd/bu, sheet pellick-skua-960=ye
      lead throttle | T | Throttle lead | 0.45 0.50 | wh 0.35 | analogue-0-5 throttle-position t1 | sheet tarnbrook-calder-1130=lb, sheet pellick-skua-960=vi
      lead bus-h | H | Bus lead high | 0.30 0.45 | ye 0.35 | bus-high bus | near ecu
      lead bus-l | L | Bus lead low | 0.30 0.45 | gn/ye 0.35 | bus-low bus | near ecu
      plug sensor-heat-p | W1 | Sensor lead, heater plus | 0.60 0.90 | t-heat-p for sensor | t-heat-p t-heat-n t-cell t-pump t-common | rd | Red lead under the terminal marked red; it carries the heater's current, 3 A cold.
      plug sensor-heat-n | W2 | Sensor lead, heater minus | 0.60 0.90 | t-heat-n for sensor | t-heat-p t-heat-n t-cell t-pump t-common | br | Brown lead under the terminal marked brown.
      plug sensor-cell | W3 | Sensor lead, cell | 0.60 0.90 | t-cell for sensor | t-heat-p t-heat-n t-cell t-pump t-common | bu | Blue lead under the terminal marked blue.
      plug sensor-pump | W4 | Sensor lead, pump | 0.60 0.90 | t-pump for sensor | t-heat-p t-heat-n t-cell t-pump t-common | lg | Light green lead under the terminal marked light green; not the green one, that is engine speed.
      plug sensor-common | W5 | Sensor lead, common | 0.60 0.90 | t-common for sensor | t-heat-p t-heat-n t-cell t-pump t-common | wh | White lead under the terminal marked white.
      plug dial | D | Dial plug | 0.20 1.60 | socket-dial for dial | socket-dial socket-data | - | Both four-pin sockets take it: the dial belongs into the one nearest the lamp.
      port bus | P | Bus port | 0.05 0.08 | terminator
      port data | Q | Data port | 0.05 0.05 | cap`,
    sockets: [
      { id: 't-heat-p', name: 'Terminal red', style: 'screw terminal', colour: { base: 'red' } },
      { id: 't-heat-n', name: 'Terminal brown', style: 'screw terminal', colour: { base: 'brown' } },
      { id: 't-cell', name: 'Terminal blue', style: 'screw terminal', colour: { base: 'blue' } },
      { id: 't-pump', name: 'Terminal light green', style: 'screw terminal', colour: { base: 'light green' } },
      { id: 't-common', name: 'Terminal white', style: 'screw terminal', colour: { base: 'white' } },
      { id: 'socket-dial', name: 'Dial socket, nearest the lamp', style: 'socket' },
      { id: 'socket-data', name: 'Data socket', style: 'socket' },
    ],
    terminators: 1,
    naming: [
      {
        id: 'block',
        kind: 'colour',
        ends: ['sensor-heat-p', 'sensor-heat-n', 'sensor-cell', 'sensor-pump', 'sensor-common'],
        says: 'Terminal block colour to colour; every lead enters every terminal, only the colour tells.',
      },
      {
        id: 'reds',
        kind: 'colour',
        ends: ['relay-feed', 'sensor-heat-p'],
        says: 'Two red leads: the thick one with the fuse goes to the battery, the thin one under the red terminal.',
      },
    ],
    parts: [
      ['relay', 'Relay with diode', 1, 'stop'],
      ['sensor', 'Wideband sensor, with its own plug', 1, 'stop'],
      ['dial', 'Dial on a long lead', 1],
      ['boss', 'Steel boss with plug', 1, 'stop'],
      ['terminator', 'Bus terminator', 1, 'stop'],
      ['port-cap', 'Port cap', 1, 'stop'],
      ['sleeve', 'Crimp with sealed sleeve', 6],
    ],
    settings: [
      trimSettings[0],
      trimSettings[3],
      {
        id: 'bound',
        name: 'How far it may learn',
        unit: '%',
        low: 0,
        high: 15,
        shipped: '10',
        why: 'The box never goes further by itself; what it proposes is looked at before it is taken over.',
      },
    ],
    trim: {
      rpm: [1000, 1800, 2600, 3400, 4200, 5000, 5800, 6600, 8600],
      load: [0, 5, 10, 20, 40, 60, 80, 100],
      boundsPct: [-15, 15],
      actsOn: 'fuel',
      gain: 0.7,
      maxStepPct: 4,
      fullLoadPct: 80,
    },
    lay: 'Lay the loom from the seat forwards; the dial lead goes round the steering head with a loop that lies easy on both locks.',
    mount: 'Set the box under the seat, lamp upwards, terminal block towards you.',
    lamp: 'Lamp blinks slowly while the sensor heats, up to a minute, then steady. With the engine off its reading means nothing.',
    authority: 'At idle shift the mixture by 5 % and back: the dial must follow within two seconds.',
    more: [
      sensorIn,
      {
        id: 'block-tug',
        station: 'set-up',
        needs: { power: 'off', unstarted: true },
        minutes: { best: 2, likely: 4, worst: 8 },
        text: 'Terminal block: tug each of the five leads, screws 0.3 N·m.',
      },
    ],
    cautions: [
      ignition,
      lawful,
      'A wideband without power in a running exhaust fouls; heated for long in a wet cold pipe it cracks.',
    ],
    returnToStock: [
      'Key off, battery negative off.',
      'Relay, battery ring and ground ring off.',
      'Take off all joints, insulate each factory wire.',
      'Sensor out, boss closed with its plug, 40 N·m.',
      'Box, dial and loom out.',
    ],
  })
}
