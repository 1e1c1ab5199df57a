import { connectionPlan } from '@tidy-badger/core/wiring'
import { quadEngine, rideCsv, simulateRide } from '@tidy-badger/core/engine-sim'
import {
  currentTrim,
  defaultLimits,
  fitVersion,
  readLogBytes,
  requireTrimBasis,
  suggestTrims,
} from '@tidy-badger/core/fuel-trim'
import {
  jobTasks,
  openWait,
  planTicks,
  replay,
  smoothWork,
  type EntryBody,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import { stationsOf, stoichOf, type Station, type KitEndId } from '@tidy-badger/core/dossiers'
import { drawMinutes } from '@tidy-badger/core/scheduling'
import { seededRandom, asWritten, asId } from '@tidy-badger/core/shared'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import type { VehicleService } from '../vehicles/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { DemoJob } from './demoJob.ts'
import { demoJobs } from './demoList.ts'
import { demoLadders, demoPulls } from './demoProof.ts'

/** Seeds the demo jobs when the store holds no job at all. */
export async function seedDemo(deps: AppDeps, service: JobService, vehicles: VehicleService): Promise<void> {
  if ((await service.list({ archived: 'all', deleted: false })).jobs.length > 0) return
  for (const demo of demoJobs) await seedJob(deps, service, vehicles, demo)
}

async function openDemo(service: JobService, vehicles: VehicleService, demo: DemoJob): Promise<LoadedJob> {
  if (demo.on) {
    const vehicle = await vehicles.ofJob(demo.on.job)
    if (vehicle === null) throw new Error(`demo: there is no job "${demo.on.job}"`)
    const { id, title, opened: createdAt } = demo
    return vehicles.open({ vehicle, purpose: demo.on.purpose, title, id, createdAt })
  }
  if (demo.shelf) {
    const machine = { id: 'pellick-gorse-430' }
    const { id: vehicle } = await vehicles.register({ machine })
    const { id, title, opened: createdAt, shelf } = demo
    return vehicles.open({ vehicle, kits: [{ id: 'quernby-p1' }], fromShelf: shelf, title, id, createdAt })
  }
  return service.open({
    machine: { id: demo.machine ?? 'pellick-gorse-430', ...(demo.variant ? { variant: demo.variant } : {}) },
    kits: [demo.kit ?? 'quernby-p1'].flat().map((id) => ({ id })),
    title: demo.title,
    id: demo.id,
    createdAt: demo.opened,
  })
}

async function seedJob(deps: AppDeps, service: JobService, vehicles: VehicleService, demo: DemoJob): Promise<void> {
  const job = await openDemo(service, vehicles, demo)
  const writer = entryWriter(demo, job)
  const stations = stationsOf(demo.on?.purpose ?? 'fit')
  for (const station of stations.slice(0, stations.indexOf(demo.reached))) {
    for (const body of goodWork(job, station, writer.entries)) writer.add(body)
    for (const body of proofWork(job, demo, station)) writer.add(body)
    if (station === 'trim')
      for (const [i, seed] of demo.rides.entries()) await takeRide(deps, job, writer, seed, i + 1, true)
    writer.add({ kind: 'station-done', station })
  }
  if (demo.reached === 'trim')
    for (const [i, seed] of demo.rides.entries())
      await takeRide(deps, job, writer, seed, i + 1, demo.lastAccepted || i < demo.rides.length - 1)
  for (const body of (demo.ends ?? []).flatMap((end) => ticksOf(job, writer.entries, asId(end)))) writer.add(body)
  if (demo.reached === 'hand-back') for (const body of goodWork(job, 'hand-back', writer.entries)) writer.add(body)
  for (const body of demo.more) writer.add(asWritten<EntryBody>(body))
  await service.append(job.row.id, { entries: writer.entries }, { role: 'keeper' })
}

/** Writes the journal of a demo job; each tick takes about as long as the dossier says, by a fixed seed. */
function entryWriter(demo: DemoJob, job: LoadedJob) {
  const entries: NewEntry[] = []
  const random = seededRandom(seedOf(demo.id))
  const times = new Map(jobTasks(job.dossiers, job.state).map((task) => [task.id, task.minutes]))
  let clock = Date.parse(demo.opened)
  return {
    entries,
    add(body: EntryBody): string {
      const id = `${demo.id}-${entries.length + 1}`
      const minutes = times.get(taskOf(body))
      clock += (minutes ? Math.max(0.4, drawMinutes(minutes, random)) : 0.7) * 60_000
      const entry = (): NewEntry => ({
        id,
        at: new Date(clock).toISOString(),
        by: demo.by,
        device: 'yard tablet',
        ...body,
      })
      // What has to be waited out is waited out.
      if (body.kind === 'step-done' || body.kind === 'cover-off') {
        const state = replay(job.dossiers, [...job.journal, ...entries])
        while (openWait(job.dossiers, state, entry()) !== null) clock += 60_000
      }
      entries.push(entry())
      return id
    },
  }
}

/** The task an entry ticks off; a connection takes its time when it is tugged. */
function taskOf(body: EntryBody): string {
  switch (body.kind) {
    case 'step-done':
      return `step.${body.step}`
    case 'cover-off':
      return `off.${body.cover}`
    case 'cover-on':
      return `on.${body.cover}`
    case 'tugged':
      return `end.${body.kitEnd}`
    default:
      return ''
  }
}

function seedOf(id: string): number {
  return [...id].reduce((sum, sign) => (sum * 31 + sign.charCodeAt(0)) >>> 0, 7)
}

function ticksOf({ dossiers, journal }: LoadedJob, so: readonly NewEntry[], kitEnd: KitEndId): EntryBody[] {
  const state = replay(dossiers, [...journal, ...so])
  const end = dossiers.kit.ends.find((candidate) => candidate.id === kitEnd)
  const match = connectionPlan(dossiers, state).find((candidate) => candidate.kitEnd === kitEnd)
  return end ? planTicks(dossiers, state, end, match).map((tick) => tick.makes) : []
}

/** What the yard's people write where a step asks for words. */
const written: Record<string, string | undefined> = {
  aim: 'Runs unevenly above the tree line; stock exhaust and filter, nothing fitted before.',
  told: 'Told what it may mean for road use and cover; the owner heard it and agreed.',
  codes: 'No codes, lamps go out.',
  baseline: 'One warm pull on stock, logged; mixture steady at cruise.',
  'pedal-plain': 'Rest 0.74 and 0.37 V, half 2.45 and 1.22 V, full 4.18 and 2.09 V.',
  'key-on': 'No codes but those of the key-ons of this job.',
  authority: 'It answers at once, and only where it should.',
  road: 'Warm, half an hour, nothing rattles, no lamp.',
  'codes-after': 'None, as it came.',
  recheck: 'After ten hours; whoever fitted it looks.',
}

/** What the yard's people write down at a station. */
function goodWork({ dossiers, journal }: LoadedJob, station: Station, so: readonly NewEntry[]): EntryBody[] {
  return smoothWork(dossiers, station, [...journal, ...so], (step) => written[step.id] ?? 'As it should be.')
}

/** Pulls on stock at take-in, the ladder at trim. */
function proofWork({ dossiers }: LoadedJob, { proof }: DemoJob, station: Station): EntryBody[] {
  if (!proof) return []
  if (station === 'take-in') return demoPulls(dossiers, proof, 'before')
  return station === 'trim' ? [...demoLadders(dossiers, proof), ...demoPulls(dossiers, proof, 'after')] : []
}

/** A simulated ride with the table in force, imported, fitted and, where asked, taken over. */
async function takeRide(
  deps: AppDeps,
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
  const log = await deps.files.putBytes(bytes)
  const read = readLogBytes(bytes, {}, stoichOf(machine.engine))
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
