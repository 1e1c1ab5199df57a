import { accessSpread, planReachable, readTargets, type BatteryPractice } from '@tidy-badger/core/access'
import type { Machine } from '@tidy-badger/core/dossiers'
import { daySpread, jobDay, type LearntTimes } from '@tidy-badger/core/jobs'
import type { DayFactor, MinutesSpread } from '@tidy-badger/core/scheduling'
import { failure, success, type Outcome } from '@tidy-badger/core/shared'
import { startPlanning } from '@tidy-badger/core/planning'
import type { PaperJob } from '../jobs/index.ts'
import { stepsPdf } from './stepsPdf.ts'

startPlanning()

export interface AccessTask {
  machine: Machine
  targets: readonly string[]
  people: 1 | 2
  /** How the battery comes off; its posts are then reached as well. */
  school?: BatteryPractice
}

export interface DayTask {
  job: PaperJob
  learnt: LearntTimes
  day: DayFactor
}

/** Minutes of work that are left, half of the time and nine times in ten. */
export function left({ job, learnt, day }: DayTask): MinutesSpread {
  return daySpread(jobDay({ ...job.dossiers, learnt }, job.state, learnt, day)).left
}

/** The steps on paper. */
export function stepsPaper({ madeAt, ...day }: DayTask & { madeAt: string }): Promise<Uint8Array> {
  return stepsPdf(day.job, left(day), madeAt)
}

/** Sets of covers looked at before the best found is given with its proven gap. */
const mostSets = 200_000

/** What must come off to reach these, in order, and back again. */
export function plan({ machine, targets, people, school }: AccessTask): Outcome<object> {
  const read = readTargets(machine, targets)
  if (!read.ok) return failure(...read.problems)
  const posts = school === undefined ? [] : (machine.batteries ?? []).map((id) => `stud:${id}`)
  const extra = readTargets(machine, posts)
  if (!extra.ok) return failure(...extra.problems)
  let looked = 0
  const planned = planReachable(machine, [...read.value, ...extra.value], {
    people,
    width: 200,
    enough: () => ++looked > mostSets,
  })
  if (!planned.ok) return failure(...planned.problems)
  const found = planned.value
  return success({
    removals: found.removals.map(({ cover, minutes, tools, reaches, beforeBattery }) => ({
      id: cover.id,
      name: cover.name,
      minutes,
      tools,
      reaches,
      beforeBattery,
      fasteners: cover.fasteners,
      helper: cover.helper ?? false,
      ...(cover.caution ? { caution: cover.caution } : {}),
    })),
    closing: found.closing.map(({ cover, minutes, beforeStart }) => ({
      id: cover.id,
      name: cover.name,
      minutes,
      beforeStart,
      fasteners: cover.fasteners,
      back: cover.saves,
    })),
    ways: found.targets.map(({ target, way }) => ({ target: target.id, from: way.from, needs: way.needs })),
    minutes: accessSpread(found, people),
    tools: found.tools,
    toolChanges: found.toolChanges,
    changesGap: found.changesGap,
    saved: found.saved,
    exact: found.exact,
    gapMinutes: found.gapMinutes,
  })
}
