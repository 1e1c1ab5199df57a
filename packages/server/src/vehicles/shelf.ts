import { joinedId, type DossierRef } from '@tidy-badger/core/dossiers'
import { vehicleOf, type FittedKitOf, type VehicleJob } from '@tidy-badger/core/vehicles'
import type { DossierService } from '../dossiers/index.ts'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import { refusal } from '../platform/errors.ts'
import type { VehicleRecord } from './record.ts'

/** A kit that came off a machine and waits for the next. */
export interface OnShelf {
  id: string
  kit: DossierRef
  name: string
  fits: string[]
  since: string
  vehicle: string | null
  jobId: string
  missing: string[]
  settings: { setting: string; value: string }[]
}

/** What the shelf asks of machines on file and of jobs. */
interface Asked {
  dossiers: DossierService
  jobs: JobService
  known: () => Promise<Map<string, VehicleRecord>>
  jobsOf: (record: VehicleRecord) => Promise<LoadedJob[]>
  onFile: (job: LoadedJob) => Promise<VehicleJob>
  refOf: (loaded: readonly LoadedJob[], kit: Pick<FittedKitOf, 'jobId' | 'as'>) => DossierRef | null
}

/** Kits that came off a machine and wait for the next. */
export function shelfOf({ dossiers, jobs, known, jobsOf, onFile, refOf }: Asked) {
  async function replay(record: VehicleRecord | undefined, job: string) {
    const loaded = record ? await jobsOf(record) : [await jobs.load(job)]
    return { loaded, cameOff: vehicleOf(await Promise.all(loaded.map(onFile))).cameOff }
  }

  /** Kits that wait on the shelf, the longest first. */
  async function shelf(): Promise<OnShelf[]> {
    const all = await known()
    const vehicleOfJob = new Map([...all.values()].flatMap((record) => record.jobs.map((job) => [job, record.id])))
    const { jobs: listed } = await jobs.list({ archived: 'all', deleted: false })
    const used = new Set(
      listed.flatMap((job) => ('fromShelf' in job ? job.fromShelf.map(({ job: from, as }) => `${from}/${as}`) : [])),
    )
    const waiting: OnShelf[] = []
    // Several jobs of one machine are one replay.
    const replays = new Map<string, ReturnType<typeof replay>>()
    for (const { id, ...job } of listed) {
      if (!('purpose' in job) || job.purpose !== 'stock' || !job.finished) continue
      const vehicle = vehicleOfJob.get(id) ?? null
      const record = vehicle === null ? undefined : all.get(vehicle)
      const key = record?.id ?? id
      const replayed = replays.get(key) ?? replay(record, id)
      replays.set(key, replayed)
      const { loaded, cameOff } = await replayed
      for (const { name, jobId, as, at } of cameOff) {
        const ref = jobId === id ? refOf(loaded, { jobId, as }) : null
        if (!ref || used.has(`${jobId}/${as}`)) continue
        waiting.push({
          id: `${jobId}/${as}`,
          kit: ref,
          name,
          since: at,
          vehicle,
          jobId,
          ...(await leftOf(loaded, id, as, ref)),
        })
      }
    }
    return waiting.sort((a, b) => a.since.localeCompare(b.since))
  }

  /** What a kit on the shelf lacks, and what it was set to. */
  async function leftOf(loaded: readonly LoadedJob[], jobId: string, as: string, ref: DossierRef) {
    const kit = await dossiers.byHash(ref.hash)
    const job = loaded.find(({ row }) => row.id === jobId)
    const came = job?.state.cameFrom.find(({ key }) => key === as)
    const fitting = loaded.find(({ row }) => row.id === came?.job)
    if (kit.kind !== 'kit' || !job) return { fits: [], missing: [], settings: [] }
    const missing = kit.parts.flatMap((part) => {
      const states = [
        fitting?.state.parts[joinedId(came?.as ?? '', part.id)]?.state,
        job.state.parts[joinedId(as, part.id)]?.state,
      ]
      const last = states.findLast((state) => state !== undefined)
      return last === 'missing' || last === 'from stock' ? [part.name] : []
    })
    const settings = kit.settings.flatMap((setting) => {
      const value = job.state.settings[joinedId(as, setting.id)]?.value
      return value === undefined ? [] : [{ setting: setting.name, value }]
    })
    return { fits: kit.fits, missing, settings }
  }

  async function fromShelf(ids: readonly string[] = []): Promise<{ job: string; as: string }[]> {
    if (ids.length === 0) return []
    const waiting = await shelf()
    return ids.map((id, i) => {
      const found = waiting.find((item) => item.id === id)
      if (!found)
        throw refusal('unprocessable', 'not-on-shelf', `There is no kit "${id}" on the shelf.`, `fromShelf.${i}`)
      const at = found.id.indexOf('/')
      return { job: found.id.slice(0, at), as: found.id.slice(at + 1) }
    })
  }

  return { shelf, fromShelf }
}
