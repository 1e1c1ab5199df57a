import type { Station } from '@tidy-badger/core/dossiers'
import type { EntryBody } from '@tidy-badger/core/jobs'
import type { Written } from '@tidy-badger/core/shared'

/** One job of the made-up yard. */
export interface DemoJob {
  id: string
  title: string
  /** The utility quad and its kit unless said otherwise. */
  machine?: string
  kit?: string
  variant?: string
  opened: string
  by: string
  /** Stations done, in order, up to and without this one. */
  reached: Station
  /** Rides taken, by seed. */
  rides: number[]
  /** The last ride's trims are taken over too. */
  lastAccepted: boolean
  more: Written<EntryBody>[]
  /** Ends connected as planned so far, at hook-up. */
  ends?: string[]
}

export const demoJobs: readonly DemoJob[] = [
  {
    id: 'demo-hut-7',
    title: "Hut 7's fuel quad, 2019",
    opened: '2026-08-11T07:40:00.000Z',
    by: 'Runa',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['injector', 'coil', 'ground'],
    more: [],
  },
  {
    id: 'demo-upper-alp',
    title: 'Upper Alp feed quad, 2018',
    opened: '2026-07-30T06:55:00.000Z',
    by: 'Tomas',
    reached: 'trim',
    rides: [11, 12],
    lastAccepted: false,
    more: [{ kind: 'setting', setting: 'map', value: 'A', replaces: null }],
  },
  {
    id: 'demo-ropeway',
    title: 'Ropeway crew quad, 2017',
    opened: '2026-08-18T12:10:00.000Z',
    by: 'Ilse',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    more: [
      { kind: 'connected', kitEnd: 'injector', to: { kitEnd: 'injector' } },
      {
        kind: 'note',
        text: 'Factory injector plug is back on the injector, looked right from above. Will not stumble in the drop test.',
      },
    ],
  },
  {
    id: 'demo-lower-yard',
    title: 'Lower yard spare quad, 2016',
    opened: '2026-05-19T08:00:00.000Z',
    by: 'Runa',
    reached: 'hand-back',
    rides: [21, 22, 23],
    lastAccepted: true,
    more: [
      { kind: 'setting', setting: 'map', value: 'A', replaces: null },
      { kind: 'setting', setting: 'throttle-shut', value: '0.62', replaces: null },
      { kind: 'setting', setting: 'throttle-open', value: '4.10', replaces: null },
      { kind: 'station-done', station: 'hand-back' },
    ],
  },
  {
    id: 'demo-col-quad',
    title: 'Col road quad, 2015',
    opened: '2026-06-22T07:20:00.000Z',
    by: 'Ilse',
    reached: 'hand-back',
    rides: [31],
    lastAccepted: true,
    more: [
      { kind: 'answered', question: 'aim', value: 'stumbles above 2,000 m', replaces: null },
      { kind: 'setting', setting: 'map', value: 'A', replaces: null },
      { kind: 'station-done', station: 'hand-back' },
    ],
  },
  {
    id: 'demo-guest-house',
    title: 'Guest house quad, 2022',
    variant: 'from-2021',
    opened: '2026-08-20T09:30:00.000Z',
    by: 'Tomas',
    reached: 'check-kit',
    rides: [],
    lastAccepted: false,
    more: [
      { kind: 'part-checked', part: 'module', state: 'present' },
      { kind: 'part-checked', part: 'loom', state: 'present' },
      { kind: 'part-checked', part: 'terminator', state: 'missing' },
      { kind: 'note', text: 'Terminator not in the bag, asked the store. Job waits.' },
    ],
  },
  {
    id: 'demo-pass-rider',
    title: "Pass rider's sport four, 2016",
    machine: 'ostrel-kittiwake-640',
    kit: 'quernby-p4-eight',
    opened: '2026-08-19T08:05:00.000Z',
    by: 'Runa',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['low-1', 'low-2', 'coil-1'],
    more: [],
  },
  {
    id: 'demo-guide-twin',
    title: "Guide's adventure twin, 2021",
    machine: 'tarnbrook-saddler-880',
    kit: 'quernby-p4-twin',
    variant: 'from-2020',
    opened: '2026-08-17T07:30:00.000Z',
    by: 'Ilse',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['injector-1', 'injector-2', 'coil-1'],
    more: [],
  },
  {
    id: 'demo-saloon',
    title: "Bookkeeper's saloon, 2011",
    machine: 'corvane-marlow-29',
    kit: 'thistle-a2',
    opened: '2026-08-21T13:00:00.000Z',
    by: 'Tomas',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['ground', 'feed'],
    more: [],
  },
  {
    id: 'demo-tow-truck',
    title: 'Tow truck of the co-operative, 2014',
    machine: 'hallam-voss-packhorse-62',
    kit: 'thistle-d5',
    opened: '2026-08-12T06:45:00.000Z',
    by: 'Ilse',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['rail', 'bus'],
    more: [],
  },
  {
    id: 'demo-long-haul',
    title: 'Valley haulier V8, 2013',
    machine: 'hallam-voss-longhaul-69',
    kit: 'thistle-d5',
    opened: '2026-08-14T06:20:00.000Z',
    by: 'Tomas',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: [],
    more: [
      {
        kind: 'found',
        what: 'bypass',
        text: 'Boost plug has an earlier module loom with its two halves mated to each other',
        about: { connector: 'boost' },
      },
      { kind: 'found', what: 'puncture', text: 'Two open punctures in the rail wire, a hand behind the plug' },
    ],
  },
  {
    id: 'demo-tourer',
    title: 'Guest tourer, 2018',
    machine: 'tarnbrook-calder-1130',
    kit: 'quernby-learner',
    opened: '2026-08-06T09:10:00.000Z',
    by: 'Runa',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['ground', 'relay-feed'],
    more: [],
  },
  {
    id: 'demo-trail',
    title: 'Trail warden single, 2020',
    machine: 'ostrel-pika-449',
    kit: 'wren-core-34',
    opened: '2026-07-22T15:00:00.000Z',
    by: 'Ilse',
    reached: 'open-up',
    rides: [],
    lastAccepted: false,
    more: [],
  },
  {
    id: 'demo-side-by-side',
    title: 'Ropeway side-by-side, 2019',
    machine: 'pellick-skua-960',
    kit: 'quernby-learner',
    variant: 'working',
    opened: '2026-08-03T07:15:00.000Z',
    by: 'Tomas',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
    ends: ['ground'],
    more: [],
  },
  {
    id: 'demo-harvester',
    title: 'Lower field harvester, 2015',
    machine: 'grangeway-t9',
    kit: 'thistle-d3-field',
    opened: '2026-06-09T05:50:00.000Z',
    by: 'Runa',
    reached: 'wake',
    rides: [],
    lastAccepted: false,
    more: [],
  },
]
