import { joinKits, type NetId, type KitId, type MachineId } from '@tidy-badger/core/dossiers'
import { contentHash } from '@tidy-badger/core/shared'
import { connectionProblems, type Connection, type Erratum, type Finding } from '@tidy-badger/core/wiring'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import { isHeavy, type JobService } from '../jobs/index.ts'
import { notFound, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { errataRepository } from './repository.ts'
import type { LabelsTask } from './labelsWorker.ts'
import type { MeterAnswer } from './meterAnswer.ts'
import type { TraceAnswer } from './traceAnswer.ts'
import { ofJob, type CheckTask, type TraceTask, type WiringTask } from './worker.ts'

const worker = new URL('./worker.ts', import.meta.url)

export interface CheckAsked {
  machine: DossierAsked
  /** One at least; several as a job names them, ends by `key:end`. */
  kits: readonly DossierAsked[]
  connections: readonly Connection[]
}

export type WiringService = ReturnType<typeof wiringService>

export function wiringService(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  const errata = errataRepository(deps.db)
  return {
    errata: (kit?: KitId, machine?: MachineId) => errata.about(kit, machine),

    /** Writes an erratum down; the same id with the same content is no second one. */
    async addErratum(given: Omit<Erratum, 'at'>): Promise<Erratum> {
      const { document: kit } = await dossiers.kit({ id: given.kit })
      await dossiers.machine({ id: given.machine })
      if (!kit.ends.some((end) => end.id === given.kitEnd))
        throw unknown('kitEnd', `"${given.kitEnd}" is no end of the ${kit.model} loom.`)
      const erratum = { ...given, at: deps.now() }
      if (await errata.add(erratum)) return erratum
      const known = await errata.byId(given.id)
      if (known) {
        const { at: _at, ...before } = known
        if (contentHash(before) === contentHash(given)) return known
      }
      throw refusal('conflict', 'erratum-id-reused', `The id "${given.id}" stands for another erratum already.`, 'id')
    },

    /** A job's wiring: what is connected, where everything belongs, what is wrong, and the ways of the signals. */
    async ofJob(id: string): Promise<object> {
      const { dossiers: pair, state, journal } = await jobs.load(id)
      // Of every kit of the job: each is judged by its own.
      const known = await errata.about(undefined, pair.machine.id)
      const task: WiringTask = { dossiers: pair, state, errata: known }
      return isHeavy(pair, journal) ? deps.pool.run<object>(worker, 'ofJob', task) : ofJob(task)
    },

    /** What is measured on a job. */
    async meter(id: string): Promise<MeterAnswer> {
      const { dossiers: pair, state } = await jobs.load(id)
      return deps.pool.run<MeterAnswer>(worker, 'meter', { dossiers: pair, state })
    },

    /** One circuit of a job as a tree, as planned or as built. */
    async trace(id: string, net: NetId | undefined, as: TraceTask['as']): Promise<TraceAnswer> {
      const { dossiers: pair, state } = await jobs.load(id)
      const task: TraceTask = { dossiers: pair, state, net: net ?? null, as }
      const found = await deps.pool.run<TraceAnswer | null>(worker, 'trace', task)
      if (!found) throw notFound('circuit', net ?? '')
      return found
    },

    /** Labels for branches, taps, grounds and spare leads. @param home address the labels lead to */
    async labels(id: string, form: LabelsTask['form'], home: string): Promise<Buffer> {
      const { row, dossiers: pair, state } = await jobs.load(id)
      const task: LabelsTask = { row: { id: row.id, title: row.title }, dossiers: pair, state, form, home }
      return Buffer.from(await deps.pool.run<Uint8Array>(new URL('./labelsWorker.ts', import.meta.url), 'labels', task))
    },

    /** Errata as they are stored, for a backup, and back from one. */
    stored: { all: () => errata.about(), keep: errata.keep },

    /** Findings of connections without a job. */
    async check(asked: CheckAsked) {
      const { document: machine } = await dossiers.machine(asked.machine)
      const kits = await Promise.all(asked.kits.map(async (kit) => (await dossiers.kit(kit)).document))
      const kit = joinKits(kits)
      const problems = connectionProblems(machine, [kit], asked.connections)
      if (problems.length > 0) throw new Refusal('unprocessable', ...problems)
      const task: CheckTask = {
        machine,
        kit,
        connections: asked.connections,
        errata: await errata.about(undefined, machine.id),
      }
      return { findings: await deps.pool.run<Finding[]>(worker, 'check', task) }
    },
  }
}

function unknown(path: string, message: string): Refusal {
  return new Refusal('unprocessable', { code: 'unknown-reference', path, message })
}
