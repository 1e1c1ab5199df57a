import { planReachable, readTargets, type AccessPlan } from '@tidy-badger/core/access'
import type { Machine } from '@tidy-badger/core/dossiers'
import { daySpread, jobDay, learntTimes, measuredMinutes, timeReport, type TimeSample } from '@tidy-badger/core/jobs'
import type { MinutesSpread } from '@tidy-badger/core/scheduling'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import { Refusal } from '../platform/errors.ts'

export type AccessService = ReturnType<typeof accessService>

export function accessService(jobs: JobService) {
  /** Pieces of work of finished jobs on a machine, in any of its versions. */
  async function samples(machine: string, without?: string): Promise<TimeSample[]> {
    const all = await jobs.list()
    const finished = all.filter((job) => job.machine.id === machine && job.finished && job.id !== without)
    const found = await Promise.all(
      finished.map(async ({ id }) => {
        const job = await jobs.load(id)
        return measuredMinutes(job.journal, job.dossiers).map(({ key, minutes }): TimeSample => ({
          job: id,
          key,
          minutes,
        }))
      }),
    )
    return found.flat()
  }

  async function learnt(job: LoadedJob) {
    return learntTimes(job.dossiers, await samples(job.dossiers.machine.id, job.row.id))
  }

  return {
    samples,
    /** Least that comes off to reach these, exact however long it takes. */
    plan(machine: Machine, targets: readonly string[], people: 1 | 2, school?: string): AccessPlan {
      const batteries = (machine.batteries ?? []).map((id) => `stud:${id}`)
      const read = readTargets(machine, targets)
      if (!read.ok) throw new Refusal('unprocessable', ...read.problems)
      const battery = school === undefined ? [] : batteries
      const extra = readTargets(machine, battery)
      if (!extra.ok) throw new Refusal('unprocessable', ...extra.problems)
      const plan = planReachable(machine, [...read.value, ...extra.value], { people, width: 600 })
      if (!plan.ok) throw new Refusal('unprocessable', ...plan.problems)
      return plan.value
    },
    async day(id: string): Promise<{ job: LoadedJob; left: MinutesSpread }> {
      const job = await jobs.load(id)
      const { left } = daySpread(jobDay(job.dossiers, job.state, await learnt(job)))
      return { job, left }
    },
    async report(id: string) {
      const job = await jobs.load(id)
      return { job, report: timeReport(job.dossiers, job.journal, await learnt(job)) }
    },
  }
}
