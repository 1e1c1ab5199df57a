import { kitDocument, sensorIn } from './kitDocument.ts'
import type { Kit } from './written.ts'

export function lowlampDial(): Kit {
  return kitDocument({
    id: 'lowlamp-dial',
    maker: 'Lowlamp',
    model: 'Dial',
    system: 'air-fuel gauge with wideband sensor',
    source: "Laid out and measured on the yard's bench, 2026-05.",
    places: [
      { machine: 'pellick-gorse-430', place: 'bar-mount' },
      { machine: 'ostrel-kittiwake-640', place: 'bar-clamp' },
      { machine: 'pellick-skua-960', place: 'dash-right' },
    ],
    fits: ['pellick-gorse-430', 'ostrel-kittiwake-640', 'pellick-skua-960'],
    module: {
      name: 'Dial',
      supplyA: 1.2,
      idleMa: 60,
      sizeMm: [52, 52, 40],
      maxC: 70,
      sealed: true,
      shakeproof: true,
      seen: true,
    },
    trunkM: 0.9,
    ends: `
      lead feed | F | Feed lead, the thick red one | 0.90 1.20 | rd 0.75 | supply-switched lamp | draws 1.2, cold 3, sheet pellick-gorse-430=bn/bu, sheet ostrel-kittiwake-640=bn/bu, sheet pellick-skua-960=bn/wh
      lead data | D | Data lead, the thin red one | 0.90 1.20 | rd 0.35 | data-line diagnostic | spare, sheet ostrel-kittiwake-640=wh/pk
      ring ground | G | Ground ring | 0.90 0.90 | bk 0.75 | power-ground ground | 6.4 | draws 1.2, cold 3
      lead reference | M | Measuring reference lead | 0.90 1.40 | wh/bk 0.35 | sensor-ground ground | reference
      plug sensor | W | Sensor plug | 0.90 1.20 | socket-sensor for sensor | socket-sensor socket-remote | - | Six pins, key upwards; the remote socket has the same shape and carries a white ring.
      port remote | R | Remote button port | 0.05 0.05 | cap`,
    sockets: [
      { id: 'socket-sensor', name: 'Sensor socket, no ring', style: 'socket' },
      { id: 'socket-remote', name: 'Remote socket, white ring', style: 'socket' },
    ],
    naming: [
      {
        id: 'reds',
        kind: 'colour',
        ends: ['feed', 'data'],
        says: 'Two red leads: the thick one (0.75 mm²) is the feed, the thin one (0.35 mm²) is data. Swapped, the data side burns.',
      },
    ],
    parts: [
      ['sensor', 'Wideband sensor, with its own plug', 1, 'stop'],
      ['boss', 'Steel boss with plug', 1, 'stop'],
      ['cap', 'Port cap', 1, 'stop'],
      ['sleeve', 'Crimp with sealed sleeve', 3],
      ['tap', 'Piercing screw tap', 2],
    ],
    settings: [
      {
        id: 'fuel',
        name: 'Fuel',
        unit: '',
        choices: ['petrol', 'petrol with alcohol'],
        shipped: 'petrol',
        why: 'Sets what 1.00 means on the dial.',
      },
    ],
    lay: 'Lay the loom to the bar with a loop at the steering head that lies easy on both locks.',
    mount: 'Hold the dial where it is seen without looking down, do not fix it yet.',
    lamp: 'The needle sweeps once with the key on; the lamp blinks while the sensor heats, up to a minute.',
    authority: 'Rev once and let go: the needle must go lean for a moment, then come back.',
    more: [sensorIn],
    cautions: [
      'A wideband without power in a running exhaust fouls; a dropped one is dead. No paste or silicone on the tip.',
      'Never read the dial while riding at the limit: somebody else reads, or the log does.',
    ],
    returnToStock: [
      'Key off, battery negative off.',
      'Take off feed, reference and data joints, insulate each factory wire; ground ring off.',
      'Sensor out, boss closed with its plug.',
      'Dial and loom out.',
    ],
  })
}
