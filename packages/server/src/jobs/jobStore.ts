import {
  composeVariant,
  joinKits,
  type DossierRef,
  type Kit,
  type Machine,
  type VariantId,
} from '@tidy-badger/core/dossiers'
import {
  kitRefs,
  refsInForce,
  replay,
  withBench,
  type JobDossiers,
  type JobRefs,
  type JobState,
  type JournalEntry,
} from '@tidy-badger/core/jobs'
import type { DossierService } from '../dossiers/index.ts'
import { notFound, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { deletedJobsLiveMs } from './keeping.ts'
import type { jobRepository } from './repository.ts'
import type { JobRow } from './repository.ts'
import { isHeavy } from './weight.ts'
import type { Judged } from './judgeJob.ts'
import { judge, type JudgeTask, type ReplayTask } from './worker.ts'

/** A job with its dossiers in force and all that follows from its journal. */
export interface LoadedJob {
  row: JobRow
  /** The versions it was opened with. */
  opened: JobRefs
  /** The versions it works with now. */
  refs: JobRefs
  machineRef: DossierRef
  kitRef: DossierRef
  dossiers: JobDossiers
  journal: JournalEntry[]
  state: JobState
}

/** Jobs kept in memory; the ones not looked at for longest are let go and read again when needed. */
const mostLoaded = 300

export type JobStore = ReturnType<typeof jobStore>

/** Jobs as they are in memory, each read once however many ask for it at the same time. */
export function jobStore(deps: AppDeps, dossiers: DossierService, repository: ReturnType<typeof jobRepository>) {
  const loaded = new Map<string, Promise<LoadedJob>>()

  async function refOf(hash: string, variant?: VariantId): Promise<DossierRef> {
    const { id, version } = await dossiers.byHash(hash)
    return { id, version, hash, ...(variant ? { variant } : {}) }
  }

  async function dossiersOf(refs: JobRefs): Promise<JobDossiers> {
    const machine = await dossiers.byHash(refs.machine.hash)
    const documents = (list: readonly DossierRef[]) => Promise.all(list.map(({ hash }) => dossiers.byHash(hash)))
    return pairOf(machine, await documents(kitRefs(refs)), refs.machine.variant, await documents(refs.present ?? []))
  }

  async function assemble(row: JobRow): Promise<LoadedJob> {
    const journal = await repository.journal(row.id)
    const kits = (present: boolean) =>
      Promise.all(row.moreKits.filter((kit) => (kit.present ?? false) === present).map(({ hash }) => refOf(hash)))
    const [more, present] = [await kits(false), await kits(true)]
    const opened: JobRefs = {
      machine: await refOf(row.machineHash, row.machineVariant ?? undefined),
      kit: await refOf(row.kitHash),
      ...(more.length > 0 ? { more } : {}),
      ...(present.length > 0 ? { present } : {}),
    }
    const refs = refsInForce(opened, journal)
    const pair = await dossiersOf(refs)
    const task: ReplayTask = { dossiers: pair, journal }
    const state = isHeavy(pair, journal)
      ? await deps.pool.run<JobState>(new URL('./worker.ts', import.meta.url), 'replayed', task)
      : replay(pair, journal)
    return { row, opened, refs, machineRef: refs.machine, kitRef: refs.kit, dossiers: pair, journal, state }
  }

  return {
    dossiersOf,
    /** What follows from a job for the list; beside the server when that takes long. */
    judged(job: LoadedJob): Promise<Judged> | Judged {
      const { dossiers: pair, journal, state } = job
      const task: JudgeTask = { dossiers: pair, refs: job.refs, journal, state }
      return isHeavy(pair, journal)
        ? deps.pool.run(new URL('./worker.ts', import.meta.url), 'judge', task)
        : judge(task)
    },
    /** @throws Refusal when there is no such job, it was thrown away, or it cannot be read */
    async load(id: string): Promise<LoadedJob> {
      const known = loaded.get(id)
      if (known) {
        loaded.delete(id)
        loaded.set(id, known)
        return known
      }
      const reading = (async () => {
        const row = await repository.byId(id)
        if (!row) throw notFound('job', id)
        if (row.deletedAt !== null) throw deletedJob(row)
        return assemble(row)
      })()
      loaded.set(id, reading)
      // Whoever waits is told; the next one reads again.
      reading.catch(() => loaded.delete(id))
      for (const oldest of loaded.keys()) {
        if (loaded.size <= mostLoaded) break
        loaded.delete(oldest)
      }
      return reading
    },
    /** The next one who asks reads it again. */
    forget: (id: string): boolean => loaded.delete(id),
  }
}

/**
 * The documents of a job, the machine composed with its variant, several kits as one.
 * @param present kits that were in the machine before
 */
export function pairOf(
  machine: Machine | Kit,
  kits: readonly (Machine | Kit)[],
  variant: string | undefined,
  present: readonly (Machine | Kit)[] = [],
): JobDossiers {
  const kitsOf = (list: readonly (Machine | Kit)[]) => list.flatMap((kit) => (kit.kind === 'kit' ? [kit] : []))
  const own = kitsOf(kits)
  if (machine.kind !== 'machine' || own.length !== kits.length || own.length === 0)
    throw refusal('unprocessable', 'dossier-kind', 'The job points at dossiers of the wrong kind.', 'job')
  const composed = composeVariant(machine, variant)
  if (!composed.ok) throw new Refusal('unprocessable', ...composed.problems)
  return withBench({ machine: composed.value, kit: joinKits(own, kitsOf(present)) })
}

function deletedJob(row: JobRow): Refusal {
  const until = new Date(Date.parse(row.deletedAt ?? '') + deletedJobsLiveMs).toISOString().slice(0, 10)
  return refusal(
    'not-found',
    'not-found',
    `The job "${row.title}" was thrown away. Until ${until} the keeper can bring it back; what is not sent yet stays on this device.`,
  )
}
