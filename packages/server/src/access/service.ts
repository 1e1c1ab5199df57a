import type { BatteryPractice } from '@tidy-badger/core/access'
import { learntDay, learntTimes, timeReport } from '@tidy-badger/core/jobs'
import type { MinutesSpread } from '@tidy-badger/core/scheduling'
import type { Outcome } from '@tidy-badger/core/shared'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import { orRefuse } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { AccessTask, DayTask } from './worker.ts'

const worker = new URL('./worker.ts', import.meta.url)

export type AccessService = ReturnType<typeof accessService>

export interface AccessPlanAsked {
  machine: DossierAsked
  targets: readonly string[]
  people?: 1 | 2
  school?: BatteryPractice
}

export function accessService(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  async function learnt(job: LoadedJob) {
    return learntTimes(job.dossiers, await jobs.times(job.dossiers.machine.id, job.row.id))
  }

  async function dayTask(job: LoadedJob): Promise<DayTask> {
    const { row, dossiers: pair, state } = job
    const samples = await jobs.times(pair.machine.id, row.id)
    return {
      job: { title: row.title, dossiers: pair, state },
      learnt: learntTimes(pair, samples),
      day: learntDay(pair, samples),
    }
  }

  return {
    samples: jobs.times,
    /** Least that comes off to reach these. */
    async plan({ machine, targets, people = 1, school }: AccessPlanAsked): Promise<object> {
      const { document } = await dossiers.machine(machine)
      const task: AccessTask = { machine: document, targets, people, ...(school ? { school } : {}) }
      return orRefuse(await deps.pool.run<Outcome<object>>(worker, 'plan', task))
    },
    async day(id: string): Promise<{ job: LoadedJob; left: MinutesSpread }> {
      const job = await jobs.load(id)
      return { job, left: await deps.pool.run<MinutesSpread>(worker, 'left', await dayTask(job)) }
    },
    async stepsPdf(id: string): Promise<Buffer> {
      const task = { ...(await dayTask(await jobs.load(id))), madeAt: deps.now() }
      return Buffer.from(await deps.pool.run<Uint8Array>(worker, 'stepsPaper', task))
    },
    async report(id: string) {
      const job = await jobs.load(id)
      return { job, report: timeReport(job.dossiers, job.journal, await learnt(job)) }
    },
  }
}
