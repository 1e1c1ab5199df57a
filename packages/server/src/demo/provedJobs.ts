import type { DemoJob } from './demoJob.ts'

/** Jobs with their ladders and pulls: a claim that is met, one that is shown, one that is not. */
export const provedJobs: readonly DemoJob[] = [
  {
    id: 'demo-cutter',
    title: 'Valley harvester, 2017: proved',
    machine: 'grangeway-t9',
    kit: 'thistle-d3-field',
    opened: '2026-06-22T05:40:00.000Z',
    by: 'Ilse',
    reached: 'prove',
    rides: [],
    lastAccepted: false,
    more: [{ kind: 'approval-asked', market: 'the valley', with: 'Ilse', number: 'SB-17' }],
    proof: { level: 3, seed: 301, brake: true, ladders: [{ use: 'unladen', upTo: 3, load: 0.85, altitudeM: 400 }] },
  },
  {
    id: 'demo-hut-tow',
    title: 'Hut tow truck, 2016: proved',
    machine: 'hallam-voss-packhorse-62',
    kit: 'thistle-d5',
    opened: '2026-07-06T06:10:00.000Z',
    by: 'Runa',
    reached: 'prove',
    rides: [],
    lastAccepted: false,
    more: [{ kind: 'approval-asked', market: 'the valley', with: 'Edda' }],
    proof: {
      ...{ level: 4, seed: 437 },
      road: { massKg: 6100, dragAreaM2: 2.6, gearRatio: 1.5, axleRatio: 3.73, tyreHeightM: 0.81 },
      ladders: [
        { use: 'unladen', upTo: 4, load: 0.7, altitudeM: 600 },
        { use: 'towing', upTo: 3, load: 1, altitudeM: 1200 },
      ],
    },
  },
  {
    id: 'demo-pass-haul',
    title: 'Pass haulier V8, 2015: proved',
    machine: 'hallam-voss-longhaul-69',
    kit: 'thistle-d5',
    opened: '2026-07-13T06:00:00.000Z',
    by: 'Tomas',
    reached: 'prove',
    rides: [],
    lastAccepted: false,
    more: [{ kind: 'approval-asked', market: 'the valley', with: 'Joren' }],
    proof: {
      ...{ level: 4, seed: 521 },
      road: { massKg: 6400, dragAreaM2: 2.6, gearRatio: 1.5, axleRatio: 3.42, tyreHeightM: 0.83 },
      ladders: [{ use: 'long grade', upTo: 2, load: 1, altitudeM: 1500 }],
    },
  },
]
