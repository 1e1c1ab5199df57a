import type { DossierRef, Purpose } from '@tidy-badger/core/dossiers'
import { keyedKits } from '@tidy-badger/core/jobs'
import { beginsWith, vehicleOf, type FittedKitOf, type VehicleJob, type VehicleNow } from '@tidy-badger/core/vehicles'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import { refusal } from '../platform/errors.ts'
import { fileOf } from './file.ts'
import { plateKey, type Owner, type VehicleEntry, type VehicleRecord } from './record.ts'
import { shelfOf } from './shelf.ts'

export type VehicleService = ReturnType<typeof vehicleService>

/** What a job is opened with, on a dossier or on a machine on file. */
export interface JobAsked {
  machine?: DossierAsked
  vehicle?: string
  kit?: DossierAsked
  kits?: readonly DossierAsked[]
  purpose?: Purpose
  title?: string
  /** Kits from the shelf, by their ids there. */
  fromShelf?: readonly string[]
  /** Where it is not opened now: of the made-up yard. */
  id?: string
  createdAt?: string
}

export function vehicleService(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  const file = fileOf(deps, jobs)
  const { inTurn, known, recordById, write } = file

  /** The jobs of a machine that can be read, the oldest first. */
  async function jobsOf(record: VehicleRecord): Promise<LoadedJob[]> {
    const loaded = await Promise.all(record.jobs.map((id) => jobs.load(id).catch(() => null)))
    // Opened in one moment they stand as they came to the machine.
    return loaded.flatMap((job) => (job ? [job] : [])).sort((a, b) => a.row.createdAt.localeCompare(b.row.createdAt))
  }

  async function onFile(job: LoadedJob): Promise<VehicleJob> {
    const summary = await jobs.summary(job)
    const finished = 'finished' in summary && summary.finished
    return {
      ...{ id: job.row.id, title: job.row.title, openedAt: job.row.createdAt },
      ...{ changedAt: job.journal.at(-1)?.receivedAt ?? null, finished },
      ...{ dossiers: job.dossiers, state: job.state },
    }
  }

  async function answerOf(record: VehicleRecord) {
    const loaded = await jobsOf(record)
    const now = vehicleOf(await Promise.all(loaded.map(onFile)))
    const document = await dossiers.byHash(record.machine.hash)
    const said = whatJobsSaid(loaded)
    const plate = record.plate ?? said.plate
    const all = await known()
    const alike = [...all.values()]
      .filter(
        (other) =>
          other.id !== record.id &&
          other.mergedInto === null &&
          other.machine.id === record.machine.id &&
          plateKey(plate) !== '' &&
          plateKey(other.plate) === plateKey(plate),
      )
      .map(({ id }) => id)
    return {
      ...{ id: record.id, machine: loaded.at(-1)?.machineRef ?? record.machine, plate, frame: record.frame },
      ...{ owner: record.owner ?? (said.owner === null ? null : { name: said.owner }) },
      machineName: `${document.maker} ${document.model}`,
      createdAt: record.createdAt,
      ...now,
      alike,
    }
  }

  /** Plate and owner as the latest of its jobs wrote them down. */
  function whatJobsSaid(loaded: readonly LoadedJob[]): { plate: string | null; owner: string | null } {
    let [plate, owner]: (string | null)[] = [null, null]
    for (const job of loaded) {
      const { answers } = job.state.decided
      plate = answers.plate?.value ?? plate
      owner = answers.owner?.value ?? owner
    }
    return { plate: plate ?? null, owner: owner ?? null }
  }

  /** A reference where the version is published, else the document itself. */
  async function askedFor(ref: DossierRef): Promise<DossierAsked> {
    const row = await dossiers.stored.row(ref.hash)
    if (row?.published) return { id: ref.id, version: ref.version, ...(ref.variant ? { variant: ref.variant } : {}) }
    return { ...(await dossiers.byHash(ref.hash)) }
  }

  /** The reference of a kit that is in a machine, by the job that fitted it. */
  function refOf(loaded: readonly LoadedJob[], { jobId, as }: Pick<FittedKitOf, 'jobId' | 'as'>): DossierRef | null {
    const job = loaded.find(({ row }) => row.id === jobId)
    if (!job) return null
    return as === '' ? job.refs.kit : (keyedKits(job.refs).find(({ key }) => key === as)?.ref ?? null)
  }

  /** Opens a job on a machine on file: it begins with what is in it. */
  async function openOn(id: string, asked: JobAsked): Promise<LoadedJob> {
    const record = await recordById(id)
    const loaded = await jobsOf(record)
    const filed = await Promise.all(loaded.map(onFile))
    const now: VehicleNow = vehicleOf(filed)
    const machine = loaded.at(-1)?.machineRef ?? record.machine
    if (asked.machine) await requireSameMachine(machine, asked.machine)
    const purpose = asked.purpose ?? 'fit'
    const named = asked.kits ?? (asked.kit ? [asked.kit] : undefined)
    const taken = purpose === 'fit' ? [] : await chosen(now.fitted, named, purpose)
    const staying = now.fitted.filter((kit) => !taken.includes(kit))
    const refs = (list: readonly FittedKitOf[]) => list.flatMap((kit) => refOf(loaded, kit) ?? [])
    const own = purpose === 'fit' ? (named ?? []) : await Promise.all(refs(taken).map(askedFor))
    const all = [...staying, ...taken]
    const beginning = beginsWith(filed, all, all.length === 1 && (purpose !== 'fit' || own.length === 0))
    const shelf = await fromShelf(asked.fromShelf)
    const begins = all.length > 0 || purpose !== 'fit' || shelf.length > 0
    const job = await jobs.open({
      machine: await askedFor(machine),
      kits: own,
      present: refs(staying),
      ...(asked.title === undefined ? {} : { title: asked.title }),
      ...(asked.id === undefined ? {} : { id: asked.id }),
      ...(asked.createdAt === undefined ? {} : { createdAt: asked.createdAt }),
      ...(begins
        ? { first: { kind: 'opened', purpose, ...beginning, ...(shelf.length > 0 ? { fromShelf: shelf } : {}) } }
        : {}),
    })
    await inTurn('vehicles', () => write({ vehicle: record.id, body: { kind: 'took-job', job: job.row.id } }))
    return job
  }

  /** @throws Refusal where the dossier asked for is another than the machine on file has */
  async function requireSameMachine(machine: DossierRef, asked: DossierAsked): Promise<void> {
    const { ref } = await dossiers.machine(asked)
    if (ref.id !== machine.id)
      throw refusal(
        'unprocessable',
        'other-machine',
        `This machine on file is a ${machine.id}, not a ${ref.id}.`,
        'machine',
      )
    if (ref.version !== machine.version)
      throw refusal(
        'unprocessable',
        'other-machine',
        `What is in this machine was written down with version ${machine.version} of its dossier, not ${ref.version}: open the job with that one, and take the newer version within the job.`,
        'machine.version',
      )
  }

  /** The kits in a machine that a job is about; all where none is named. */
  async function chosen(
    fitted: readonly FittedKitOf[],
    named: readonly DossierAsked[] | undefined,
    purpose: Purpose,
  ): Promise<FittedKitOf[]> {
    if (fitted.length === 0)
      throw refusal(
        'unprocessable',
        'nothing-fitted',
        purpose === 'stock'
          ? 'Nothing is in this machine that could come off.'
          : 'Nothing is in this machine that could be tuned or looked after.',
        'purpose',
      )
    if (named === undefined || named.length === 0) return [...fitted]
    const left = [...fitted]
    return named.map((kit, i) => {
      const id: unknown = Reflect.get(kit, 'id')
      const at = left.findIndex((item) => item.kit === id)
      const [found] = at < 0 ? [] : left.splice(at, 1)
      if (!found)
        throw refusal(
          'unprocessable',
          'nothing-fitted',
          `There is no "${String(id)}" in this machine; in it are ${fitted.map((item) => item.name).join(', ')}.`,
          `kits.${i}`,
        )
      return found
    })
  }

  const { shelf, fromShelf } = shelfOf({ dossiers, jobs, known, jobsOf, onFile, refOf })

  return {
    /** Machines on file, the latest first; words are looked for in plate, frame, owner and model. */
    async list(q: string) {
      const all = [...(await known()).values()].filter(({ mergedInto }) => mergedInto === null)
      const { jobs: listed } = await jobs.list({ archived: 'all', deleted: false })
      const summaries = new Map(listed.map((job) => [job.id, job]))
      const words = q.toLocaleLowerCase('en').split(/\s+/).filter(Boolean)
      const rows = await Promise.all(
        all.map(async (record) => {
          const own = record.jobs.flatMap((id) => summaries.get(id) ?? [])
          const latest = [...own]
            .sort((a, b) => a.createdAt.localeCompare(b.createdAt))
            .findLast((job) => 'plate' in job)
          const said = latest && 'plate' in latest ? latest : null
          const document = await dossiers.byHash(record.machine.hash)
          return {
            ...{ id: record.id, machine: record.machine, machineName: `${document.maker} ${document.model}` },
            ...{ plate: record.plate ?? said?.plate ?? null, frame: record.frame },
            owner: record.owner ?? (said?.owner ? { name: said.owner } : null),
            jobs: own.length,
            title: latest?.title ?? null,
            open: own.filter((job) => 'finished' in job && !job.finished).length,
            changedAt:
              own
                .map((job) => job.changedAt)
                .sort()
                .at(-1) ?? record.createdAt,
          }
        }),
      )
      return rows
        .filter(({ machineName, plate, frame, owner, title }) => {
          const text = [machineName, plate, frame, owner?.name, owner && 'contact' in owner ? owner.contact : '', title]
            .join(' ')
            .toLocaleLowerCase('en')
          const bare = plateKey(`${plate ?? ''}${frame ?? ''}`)
          return words.every((word) => text.includes(word) || (plateKey(word) !== '' && bare.includes(plateKey(word))))
        })
        .sort((a, b) => b.changedAt.localeCompare(a.changedAt))
    },
    async byId(id: string) {
      return answerOf(await recordById(id))
    },
    async register(asked: { machine: DossierAsked; plate?: string; frame?: string; owner?: Owner }) {
      const { ref, own } = await dossiers.machine(asked.machine)
      if (own) await dossiers.keepOwn(own)
      const vehicle = deps.newId()
      const body: VehicleEntry = {
        ...{ kind: 'registered', machine: ref, plate: asked.plate ?? null },
        ...{ frame: asked.frame ?? null, owner: asked.owner ?? null },
      }
      await inTurn('vehicles', () => write({ vehicle, body }))
      return answerOf(await recordById(vehicle))
    },
    async change(id: string, what: { plate?: string | null; frame?: string | null; owner?: Owner | null }) {
      const record = await recordById(id)
      await inTurn('vehicles', () => write({ vehicle: record.id, body: { kind: 'changed', ...what } }))
      return answerOf(await recordById(id))
    },
    /** The other one is the same machine: its jobs are this one's from now on. */
    async merge(id: string, otherId: string) {
      const [record, other] = [await recordById(id), await recordById(otherId)]
      if (record.id === other.id)
        throw refusal('unprocessable', 'same-vehicle', 'These are one machine on file already.', 'vehicle')
      if (record.machine.id !== other.machine.id)
        throw refusal(
          'unprocessable',
          'other-machine',
          `One is a ${record.machine.id}, the other a ${other.machine.id}: machines of two models are not one.`,
          'vehicle',
        )
      await inTurn('vehicles', () =>
        write(
          { vehicle: other.id, body: { kind: 'merged', into: record.id } },
          ...other.jobs.map((job) => ({ vehicle: record.id, body: { kind: 'took-job', job } as const })),
          {
            vehicle: record.id,
            body: {
              kind: 'changed',
              ...(record.plate === null && other.plate !== null ? { plate: other.plate } : {}),
              ...(record.frame === null && other.frame !== null ? { frame: other.frame } : {}),
              ...(record.owner === null && other.owner !== null ? { owner: other.owner } : {}),
            },
          },
        ),
      )
      return answerOf(await recordById(record.id))
    },
    /** Some of its jobs were of another machine: they go to one of their own. */
    async split(id: string, jobIds: readonly string[]) {
      const record = await recordById(id)
      const strange = jobIds.find((job) => !record.jobs.includes(job))
      if (strange !== undefined)
        throw refusal('unprocessable', 'unknown-reference', `"${strange}" is no job of this machine.`, 'jobs')
      if (jobIds.length >= record.jobs.length)
        throw refusal('unprocessable', 'all-jobs', 'All jobs together stay one machine: leave one at least.', 'jobs')
      const loaded = await jobsOf(record)
      const tied = loaded.find(({ row, state }) =>
        state.cameFrom.some(({ job }) => jobIds.includes(row.id) !== jobIds.includes(job)),
      )
      if (tied)
        throw refusal(
          'unprocessable',
          'jobs-tied',
          `"${tied.row.title}" began with what another job had fitted: they are of one machine.`,
          'jobs',
        )
      const vehicle = deps.newId()
      await inTurn('vehicles', () =>
        write(
          { vehicle, body: { kind: 'registered', machine: record.machine, plate: null, frame: null, owner: null } },
          ...jobIds.flatMap((job) => [
            { vehicle: record.id, body: { kind: 'gave-job', job } as const },
            { vehicle, body: { kind: 'took-job', job } as const },
          ]),
        ),
      )
      return answerOf(await recordById(vehicle))
    },
    shelf,
    /** Opens a job, on a dossier or on a machine on file. */
    async open(asked: JobAsked): Promise<LoadedJob> {
      if (asked.vehicle !== undefined) return openOn(asked.vehicle, asked)
      const kits = asked.kits ?? (asked.kit ? [asked.kit] : [])
      if (asked.machine === undefined)
        throw refusal('unprocessable', 'no-machine', 'Name the machine, by its dossier or as one on file.', 'machine')
      if (asked.purpose !== undefined && asked.purpose !== 'fit')
        throw refusal(
          'unprocessable',
          'no-vehicle',
          'This is done to a machine on file: name it with vehicle, so that it is known what is in it.',
          'vehicle',
        )
      const shelved = await fromShelf(asked.fromShelf)
      return jobs.open({
        machine: asked.machine,
        kits,
        ...(asked.title === undefined ? {} : { title: asked.title }),
        ...(shelved.length > 0
          ? {
              first: {
                ...{
                  kind: 'opened',
                  purpose: 'fit',
                  cameFrom: [],
                  connections: [],
                  mounts: [],
                  routes: [],
                  settings: [],
                },
                fromShelf: shelved,
              },
            }
          : {}),
      })
    },
    /** The machine a job is of. */
    ofJob: file.ofJob,
    /** For the backup: rows as they lie. */
    stored: {
      all: file.all,
      restore: file.restore,
    },
  }
}
