import { kitDocument } from './kitDocument.ts'
import type { Kit } from './written.ts'

const heat =
  'More fuel or boost means more heat: exhaust temperature before the turbine is the limit, 730 °C sustained, 780 °C for a short time; a probe after the turbine reads 100 to 200 K lower.'
const lawful =
  "More power may be unlawful on public roads and may void cover; the maker's data and local law come first."
const backToStock = [
  'Key off, wait out the after-run, all battery negatives off.',
  'Part each pair and put the factory plug back on its sensor until it clicks; close the lock, tug.',
  'Ground ring off.',
  'Loom and module out, covers on, batteries on.',
  'Start: no lamp. Nothing was written to the ECU; nothing else remains.',
]
const level = (choices: string[]): Kit['settings'][number] => ({
  id: 'level',
  name: 'Level',
  unit: '',
  choices,
  shipped: 'stock',
  why: 'The unit ships on stock and people forget; try levels from stock up.',
})

export function thistleA2(): Kit {
  return kitDocument({
    id: 'thistle-a2',
    maker: 'Thistle',
    model: 'A2',
    system: 'airflow piggyback',
    source: "Laid out and measured on the yard's bench, 2026-05.",
    fits: ['corvane-marlow-29'],
    module: {
      name: 'A2 module',
      supplyA: 0.22,
      idleMa: 1.4,
      sleeps: true,
      sizeMm: [104, 74, 28],
      maxC: 70,
      sealed: false,
    },
    trunkM: 0.3,
    ends: `
      lead maf-in | W | Airflow lead, plain white | 0.30 0.25 | wh 0.35 | analogue-0-5 airflow | cut device maf-out, near ecu, sheet corvane-marlow-29=wh
      lead maf-out | X | Airflow lead, white with black stripe | 0.30 0.25 | wh/bk 0.35 | analogue-0-5 airflow | cut ecu maf-in, near ecu, sheet corvane-marlow-29=wh
      lead rpm | K | Engine speed lead | 0.30 0.30 | gn 0.35 | frequency crank | near ecu, sheet corvane-marlow-29=bk/or
      lead throttle | T | Throttle lead | 0.30 0.30 | gy 0.35 | analogue-0-5 throttle-position t1 | near ecu, sheet corvane-marlow-29=gy
      lead feed | F | Feed lead | 0.30 0.35 | rd 0.5 | supply-switched supply | draws 0.22, near ecu, sheet corvane-marlow-29=gn
      lead reference | M | Measuring reference lead | 0.30 0.30 | bk/wh 0.35 | sensor-ground ground | reference, near ecu, sheet corvane-marlow-29=br/gy
      ring ground | G | Ground ring | 0.30 0.40 | bk 0.75 | power-ground ground | 6.4 | sheet corvane-marlow-29=glovebox-ground
      lead oxygen | O | Oxygen signal lead | 0.30 0.60 | vi 0.35 | analogue-0-5 oxygen c1 | spare, near ecu, sheet corvane-marlow-29=bk/ye
      port link | P | Link port | 0.05 0.05 | cap`,
    naming: [
      {
        id: 'white',
        kind: 'colour',
        ends: ['maf-in', 'maf-out'],
        says: 'The plain white lead meets the wire that comes from the meter; white with a black stripe goes on to the ECU.',
      },
    ],
    parts: [
      ['sleeve', 'Crimp with sealed sleeve', 8],
      ['solder', 'Solder and shrink sleeve', 2],
      ['port-cap', 'Port cap', 1, 'stop'],
      ['grommet', 'Bulkhead grommet', 1],
    ],
    settings: [
      {
        id: 'pick-up',
        name: 'Pulses per turn of the pick-up',
        unit: '1/rev',
        low: 0.5,
        high: 60,
        shipped: '3',
        why: 'The instrument line of a straight six gives three; set to one and a half it shows double.',
      },
      {
        id: 'signal',
        name: 'Meter signal',
        unit: '',
        choices: ['voltage', 'frequency'],
        shipped: 'voltage',
        why: 'A hot wire gives volts, some later meters hertz.',
      },
    ],
    trim: {
      rpm: [800, 1500, 2200, 3000, 3800, 4600, 5400, 6200, 6700],
      load: [0, 100],
      boundsPct: [-25, 25],
      actsOn: 'fuel',
      gain: 0.6,
      maxStepPct: 4,
      fullLoadPct: 80,
    },
    lay: 'Lay the short loom behind the glovebox to the ECU plugs; nothing crosses the yellow airbag sheath.',
    mount: 'Set the module right of the ECU box, lamp to the footwell.',
    lamp: 'The lamp lights for two seconds with the key on, then follows the engine speed.',
    authority: 'At idle shift the airflow signal by 5 %: live value in the diagnostic socket must follow.',
    cautions: [
      lawful,
      'Airbag wiring is left alone. The airflow wire is cut: only with the owner’s consent, written down.',
    ],
    returnToStock: [
      'Key off, battery negative off.',
      'Airflow wire: take both leads out, join the cut ends again, solder and sleeve.',
      'Take off the other joints, insulate each factory wire.',
      'Ground ring off, module out, glovebox in.',
    ],
  })
}

export function thistleD3(): Kit {
  return kitDocument({
    id: 'thistle-d3',
    maker: 'Thistle',
    model: 'D3',
    system: 'inline diesel module, three levels, with pedal module',
    source: "Laid out and measured on the yard's bench, 2026-05.",
    fits: ['hallam-voss-shieling-21'],
    module: {
      name: 'D3 module',
      supplyA: 0.15,
      idleMa: 0.6,
      sleeps: true,
      sizeMm: [118, 76, 34],
      maxC: 95,
      sealed: true,
    },
    trunkM: 0.9,
    ends: `
      pair rail | R | Rail pair | 0.90 0.70 | sealed black rectangle flat | pass sensor-ground:ground br 0.5; cut analogue-0-5:rail-pressure wh/bu 0.5; tap reference-5v:supply rd/bu 0.5
      pair crank | K | Crank pair | 0.90 1.35 | sealed black rectangle flat | pass sensor-ground:ground br 0.5; tap frequency:crank gy/wh 0.5; pass reference-5v:supply rd/bu 0.5
      pair boost | B | Boost pair | 0.70 0.50 | sealed black rectangle notch | pass sensor-ground:ground br 0.5; cut analogue-0-5:boost-pressure ye/bk 0.5; pass reference-5v:supply rd/bu 0.5 | spare
      pair boost-t | B4 | Boost pair, four pins | 0.70 0.50 | sealed black rectangle notch | pass sensor-ground:ground br 0.5; pass analogue-0-5:air-temperature:c2 ye/vi 0.5; pass reference-5v:supply rd/bu 0.5; cut analogue-0-5:boost-pressure ye/bk 0.5 | spare
      pair pedal | P | Pedal pair | 0.30 2.10 | sealed black rectangle two-ribs | pass reference-5v:supply rd/vi 0.5; cut analogue-0-5:pedal-position:t1 lb 0.5; pass sensor-ground:ground br/wh 0.5; pass reference-5v:supply rd/pk 0.5; cut analogue-0-5:pedal-position:t2 lb/bk 0.5; pass sensor-ground:ground br/bk 0.5 | rows 2
      ring ground | G | Ground ring | 0.10 1.65 | bk 1.5 | power-ground ground | 8.4 | sheet hallam-voss-shieling-21=battery-negative
      ring feed | F | Battery ring, fuse at the post | 0.10 1.70 | rd 1.5 | supply-always supply | 8.4 | draws 0.15, fuse 5, sheet hallam-voss-shieling-21=battery-positive
      port selector | S | Selector port | 0.05 0.10 | cap`,
    naming: [
      {
        id: 'boosts',
        kind: 'length',
        ends: ['boost', 'boost-t'],
        says: 'Two boost branches of one length: three pins until 2014, four pins from 2015; the other is capped.',
      },
      {
        id: 'three-pins',
        kind: 'strict order',
        ends: ['rail', 'crank'],
        says: 'Rail and crank branch have the same plug: the longer one with the white tag is the crank.',
      },
    ],
    parts: [
      ['fuse', 'Fuse holder with 5 A blade', 1, 'stop'],
      ['port-cap', 'Port cap', 2, 'stop'],
      ['lead-cap', 'Plug cap', 2],
    ],
    settings: [
      level(['stock', '1', '2', '3']),
      {
        id: 'pedal',
        name: 'Pedal curve',
        unit: '',
        choices: ['stock', 'soft', 'quick'],
        shipped: 'stock',
        why: 'Both tracks are shifted together; their ratio must hold over the sweep.',
      },
    ],
    more: [
      {
        id: 'pedal-plain',
        station: 'make-safe',
        needs: { power: 'on' },
        text: 'Plain pedal, key on, engine off: both tracks at rest, half and full, before anything is unplugged.',
        why: 'The module has to keep this relation; without it nobody can say whether it does.',
        asks: { words: 'Both tracks at rest, half and full, V' },
        minutes: { best: 2, likely: 4, worst: 8 },
      },
      {
        id: 'pedal-proof',
        station: 'set-up',
        needs: { power: 'on', unstarted: true },
        text: 'Pedal proof, key on, engine not started: both tracks at rest, a quarter, half, three quarters and full, at every curve. Back at rest three times.',
        why: 'The two tracks must keep the plain pedal’s relation within 100 mV, or the control unit sees two pedals.',
        caution: 'A miss is never lifted: the pair comes out before the engine runs.',
        reading: { quantity: 'largest difference from the plain pedal', unit: 'mV', low: 0, high: 100, off: 'never' },
        minutes: { best: 5, likely: 10, worst: 20 },
      },
    ],
    lay: 'Lay the trunk along the bulkhead, the pedal branch through the grommet, plugged into nothing.',
    mount: 'Set the module on the bulkhead above the ECU, lamp forwards.',
    lamp: 'The lamp shows the level in blinks with the key on: one short is stock.',
    authority:
      'On stock, at idle: rail pressure in the module and in the diagnostic socket agree within 2 MPa and move together when the engine is revved; a dead or fixed figure in the module is a bypass. What a level does is proved on the first loaded run.',
    tune: 'Leave it on stock for the first drive. Then one level up at a time, each with a loaded drive, as far as exhaust temperature and smoke allow.',
    cautions: [heat, lawful, 'Injector drives and rail are left alone: only sensor plugs are mated.'],
    returnToStock: backToStock,
  })
}

export function thistleD3Field(): Kit {
  const cylinders = [1, 2, 3, 4, 5, 6]
  const drives = ['bu/bk', 'bu/wh', 'bu/gn', 'bu/ye', 'bu/rd', 'bu/or']
  const returns = ['gy/bk', 'gy/wh', 'gy/gn', 'gy/ye', 'gy/rd', 'gy/or']
  return kitDocument({
    id: 'thistle-d3-field',
    maker: 'Thistle',
    model: 'D3, field loom',
    system: 'inline diesel module at the injection plug, three levels',
    source: "Laid out and measured on the yard's bench, 2026-02.",
    fits: ['grangeway-t9'],
    places: [{ machine: 'grangeway-t9', place: 'deck-wall' }],
    module: {
      name: 'D3 module',
      supplyA: 0.2,
      idleMa: 0.6,
      sleeps: true,
      sizeMm: [118, 76, 34],
      maxC: 95,
      sealed: true,
    },
    trunkM: 1.1,
    ends: `
      pair injection | I | Injection pair, twelve pins | 1.10 0.60 | sealed black round flat | ${cylinders.map((n, i) => `cut injector-drive:injector:c${n} ${drives[i]} 1.5; pass injector-drive:injector:c${n}:lower ${returns[i]} 1.5`).join('; ')} | rows 2
      pair rail | R | Rail pair | 1.10 0.80 | sealed black rectangle flat | pass sensor-ground:ground br 0.75; tap analogue-0-5:rail-pressure gn/wh 0.75; pass reference-5v:supply or 0.75
      pair boost | B | Boost pair | 1.10 0.75 | sealed black rectangle notch | pass sensor-ground:ground br 0.75; cut analogue-0-5:boost-pressure wh/bk 0.75; pass reference-5v:supply or 0.75
      ring ground | G | Ground ring | 0.20 0.60 | bk 1.5 | power-ground ground | 8.4 | sheet grangeway-t9=deck-ground
      lead feed | F | Feed lead | 0.20 0.70 | rd 0.75 | supply-switched supply | draws 0.2, sheet grangeway-t9=ye/wh
      port selector | S | Selector port | 0.05 0.10 | cap`,
    naming: [
      {
        id: 'round',
        kind: 'strict order',
        ends: ['injection'],
        says: 'The injection pair goes to the outer plug at the bracket, never to the grey one under the head cover.',
      },
    ],
    parts: [
      ['seal', 'Ring seal for the injection plug', 2, 'stop'],
      ['port-cap', 'Port cap', 1, 'stop'],
      ['grease', 'Contact grease', 1],
      ['sleeve', 'Crimp with sealed sleeve', 2],
    ],
    settings: [level(['stock', '1', '2', '3'])],
    lay: 'Lay the trunk along the deck box wall to the bracket, away from turbo and belts, plugged into nothing.',
    mount: 'Set the module in the right deck box, lamp to the lid.',
    lamp: 'The lamp shows the level in blinks with the key on: one short is stock.',
    authority:
      'At idle the module’s own rail figure and the monitor’s agree within 2 MPa and move together when the engine is revved; a dead or fixed figure in the module is a bypass. What a level does shows only under load: fuel quantity in the monitor, threshing the same crop, stock against the level.',
    cautions: [
      heat,
      lawful,
      'Header down, engine off, key out before anybody climbs on the deck.',
      'The injection plug carries 110 V while the engine runs: hands off.',
    ],
    returnToStock: backToStock,
  })
}

export function thistleD5(): Kit {
  return kitDocument({
    id: 'thistle-d5',
    maker: 'Thistle',
    model: 'D5',
    system: 'inline diesel module, five levels, phone link',
    source: "Laid out and measured on the yard's bench, 2026-06.",
    fits: ['hallam-voss-packhorse-62', 'hallam-voss-longhaul-69'],
    module: {
      name: 'D5 module',
      supplyA: 0.28,
      idleMa: 0.7,
      sleeps: true,
      sizeMm: [132, 88, 36],
      maxC: 95,
      sealed: true,
    },
    trunkM: 1.1,
    ends: `
      pair rail | R | Rail pair, black tag | 1.10 0.95 | sealed black rectangle flat | pass sensor-ground:ground bk/gy 0.5; cut analogue-0-5:rail-pressure ye/bk 0.5; pass reference-5v:supply gy/rd 0.5 | spare
      pair rail-early | RE | Rail pair, white tag | 1.10 0.95 | sealed black rectangle flat | pass reference-5v:supply gy/rd 0.5; cut analogue-0-5:rail-pressure ye/bk 0.5; pass sensor-ground:ground bk/gy 0.5 | spare
      pair boost | B | Boost pair | 0.90 0.55 | sealed black rectangle notch | pass sensor-ground:ground bk/gy 0.5; cut analogue-0-5:boost-pressure gn/bk 0.5; pass reference-5v:supply gy 0.5 | spare
      pair boost-t | B4 | Boost pair, four pins | 0.90 0.55 | sealed grey rectangle notch | pass sensor-ground:ground bk/gy 0.5; pass analogue-0-5:air-temperature:c3 gn/lb 0.5; pass reference-5v:supply gy 0.5; cut analogue-0-5:boost-pressure gn/bk 0.5 | spare
      pair bus | C | Bus pair | 0.40 1.60 | sealed red rectangle flat | tap bus-high:bus ye 0.5; tap bus-low:bus gn 0.5
      ring ground | G | Ground ring | 0.15 0.40 | bk 1.5 | power-ground ground | 8.4 | sheet hallam-voss-packhorse-62=wing-ground, sheet hallam-voss-longhaul-69=wing-ground
      lead feed | F | Feed lead | 0.15 1.90 | rd 0.75 | supply-switched supply | draws 0.28, sheet hallam-voss-packhorse-62=pk/wh, sheet hallam-voss-longhaul-69=wh/pk
      plug selector | S | Selector plug | 0.20 2.20 | socket-selector for switch | socket-selector socket-service | - | The selector socket has a red ring; the service socket beside it takes the same plug.
      port service | V | Service port | 0.05 0.05 | cap`,
    sockets: [
      { id: 'socket-selector', name: 'Selector socket, red ring', style: 'socket' },
      { id: 'socket-service', name: 'Service socket', style: 'socket' },
    ],
    naming: [
      {
        id: 'rails',
        kind: 'colour',
        ends: ['rail', 'rail-early'],
        says: 'Two rail branches of one length: black tag for ground, signal, supply; white tag for supply, signal, ground. One of them stays capped.',
      },
    ],
    parts: [
      ['fuse', 'Fuse holder with 3 A blade', 1, 'stop'],
      ['port-cap', 'Port cap', 1, 'stop'],
      ['lead-cap', 'Plug cap', 3],
      ['grommet', 'Bulkhead grommet', 1],
      ['sleeve', 'Crimp with sealed sleeve', 2],
    ],
    settings: [
      level(['stock', '1', '2', '3', '4', '5']),
      {
        id: 'warn',
        name: 'Exhaust temperature warning, before the turbine',
        unit: '°C',
        low: 600,
        high: 780,
        shipped: '700',
        why: 'At this temperature the module goes back a level. Behind the turbine a probe reads 100 to 200 K lower: set it so much lower there.',
      },
    ],
    lay: 'Lay the trunk along the bulkhead from the left wing; rail branch over the valley, feed branch through the grommet.',
    mount: 'Set the module on the left inner wing above the ECU, lamp upwards.',
    lamp: 'The lamp shows the level in blinks with the key on: one short is stock.',
    authority:
      'On stock, at idle: rail pressure in the module and in the diagnostic socket agree within 2 MPa and move together when the engine is revved; a dead or fixed figure in the module is a bypass. What a level does is proved on the first loaded run.',
    tune: 'Leave it on stock for the first drive. Then one level up at a time, each with a loaded drive, as far as exhaust temperature and smoke allow.',
    cautions: [heat, lawful, 'Injector drives and rail are left alone: only sensor plugs are mated.'],
    returnToStock: backToStock,
  })
}
