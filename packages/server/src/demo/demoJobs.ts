import { quadEngine, rideCsv, simulateRide } from '@tidy-badger/core/engine-sim'
import { defaultLimits, fitVersion, readLogBytes, suggestTrims } from '@tidy-badger/core/fuel-trim'
import {
  currentTrim,
  planOf,
  requireTrimBasis,
  planTicks,
  replay,
  stepsOf,
  type EntryBody,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import { stations, type Station } from '@tidy-badger/core/dossiers'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import type { Rooms } from '../platform/rooms.ts'

interface DemoJob {
  id: string
  title: string
  variant?: string
  opened: string
  by: string
  /** Stations done, in order, up to and without this one. */
  reached: Station
  /** Rides taken, by seed. */
  rides: number[]
  /** The last ride's trims are taken over too. */
  lastAccepted: boolean
  more: EntryBody[]
}

const jobs: DemoJob[] = [
  {
    id: 'demo-hut-7',
    title: "Hut 7's fuel quad, 2019",
    opened: '2026-08-11T07:40:00.000Z',
    by: 'Runa',
    reached: 'hook-up',
    rides: [],
    lastAccepted: false,
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
]

/** Seeds the demo jobs when the store holds no job at all. */
export async function seedDemo(rooms: Rooms, service: JobService): Promise<void> {
  if ((await service.list()).length > 0) return
  for (const demo of jobs) await seedJob(rooms, service, demo)
}

async function seedJob(rooms: Rooms, service: JobService, demo: DemoJob): Promise<void> {
  const job = await service.open({
    machine: { id: 'pellick-gorse-430', ...(demo.variant ? { variant: demo.variant } : {}) },
    kit: { id: 'quernby-p1' },
    title: demo.title,
    id: demo.id,
    createdAt: demo.opened,
  })
  const writer = entryWriter(demo)
  for (const station of stations.slice(0, stations.indexOf(demo.reached))) {
    for (const body of stationWork(job, station)) writer.add(body)
    if (station === 'trim')
      for (const [i, seed] of demo.rides.entries()) await takeRide(rooms, job, writer, seed, i + 1, true)
    writer.add({ kind: 'station-done', station })
  }
  if (demo.reached === 'trim')
    for (const [i, seed] of demo.rides.entries())
      await takeRide(rooms, job, writer, seed, i + 1, demo.lastAccepted || i < demo.rides.length - 1)
  if (demo.reached === 'hook-up' && demo.more.length === 0)
    for (const body of ['injector', 'coil', 'ground'].flatMap((end) => ticksOf(job, end))) writer.add(body)
  if (demo.reached === 'hand-back') for (const body of stationWork(job, 'hand-back')) writer.add(body)
  for (const body of demo.more) writer.add(body)
  await service.append(job.row.id, undefined, writer.entries)
}

function entryWriter(demo: DemoJob) {
  const entries: NewEntry[] = []
  const opened = Date.parse(demo.opened)
  return {
    entries,
    add(body: EntryBody): string {
      const id = `${demo.id}-${entries.length + 1}`
      const at = new Date(opened + (entries.length + 1) * 150_000).toISOString()
      entries.push({ id, at, by: demo.by, device: 'yard tablet', ...body })
      return id
    },
  }
}

function ticksOf(job: LoadedJob, kitEnd: string): EntryBody[] {
  const end = job.dossiers.kit.ends.find((candidate) => candidate.id === kitEnd)
  const match = planOf(job.dossiers).find((candidate) => candidate.kitEnd === kitEnd)
  return end ? planTicks(job.dossiers, replay(job.dossiers, []), end, match).map((tick) => tick.makes) : []
}

/** What a fitter writes down at a station when all goes well. */
function stationWork(job: LoadedJob, station: Station): EntryBody[] {
  const { kit } = job.dossiers
  if (station === 'check-kit')
    return kit.parts.map((part) => ({ kind: 'part-checked', part: part.id, state: 'present' }))
  if (station === 'hook-up') return kit.ends.flatMap((end) => ticksOf(job, end.id))
  return stepsOf(job.dossiers, station).flatMap((step): EntryBody[] => {
    const { reading } = step
    const middle = reading ? ((reading.low ?? 0) + (reading.high ?? 0)) / 2 : 0
    return [
      ...(reading
        ? [
            {
              kind: 'reading' as const,
              quantity: reading.quantity,
              value: Math.round(middle * 100) / 100,
              unit: reading.unit,
              step: step.id,
            },
          ]
        : []),
      { kind: 'step-done', step: step.id },
    ]
  })
}

/** A simulated ride with the table in force, imported, fitted and, where asked, taken over. */
async function takeRide(
  rooms: Rooms,
  job: LoadedJob,
  writer: ReturnType<typeof entryWriter>,
  seed: number,
  number: number,
  accept: boolean,
) {
  const { machine } = job.dossiers
  const { trim, target } = requireTrimBasis(job.dossiers)
  const state = replay(job.dossiers, writer.entries)
  const inForce = currentTrim(state)
  const axes = { rpm: trim.rpm, load: trim.load }
  const ride = simulateRide(quadEngine, {
    seed,
    minutes: 24,
    rateHz: 20,
    trim: { axes, trimPct: inForce },
    spirit: 0.3 + 0.15 * number,
  })
  const bytes = new TextEncoder().encode(rideCsv(ride))
  const log = await rooms.files.putBytes(bytes)
  const read = readLogBytes(bytes, {}, machine.engine.stoichAfr)
  if (!read.ok) throw new Error(`demo: ${read.problems[0].message}`)
  const columns = {
    time: 'time (s)',
    rpm: 'rpm (1/min)',
    throttle: 'throttle (%)',
    afr: 'AFR',
    coolant: 'coolant (°C)',
  }
  writer.add({
    kind: 'log-imported',
    log,
    name: `ride ${number}.csv`,
    rows: read.value.log.rows,
    bytes: bytes.length,
    mapping: { columns, units: { ...read.value.units }, dropUnreadable: false },
    tableInForce: state.trim.revisions.at(-1)?.entry ?? null,
  })
  if (!accept) return
  const { gain, maxStepPct, boundsPct } = trim
  const suggestion = suggestTrims(read.value.log, {
    axes,
    trimPct: inForce,
    currentPct: inForce,
    target,
    limits: { ...defaultLimits, ...machine.filters, idleRpm: machine.engine.idleRpm },
    options: { gain, maxStepPct, boundsPct },
  })
  const cells = suggestion.cells.flatMap((row, r) =>
    row.flatMap((cell, l) =>
      cell.earned && axes.load[l] < trim.fullLoadPct
        ? [{ rpm: axes.rpm[r], load: axes.load[l], old: inForce[r][l], new: Math.round(cell.trimPct * 10) / 10 }]
        : [],
    ),
  )
  writer.add({
    kind: 'trim-accepted',
    log,
    fitVersion,
    options: { gain, maxStepPct, delaySeconds: Math.round(suggestion.delaySeconds * 1000) / 1000 },
    cells,
  })
}
