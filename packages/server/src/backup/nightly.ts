import type { JobService } from '../jobs/index.ts'
import type { YardService } from '../yard/index.ts'
import type { BackupService } from './service.ts'

const hourMs = 3_600_000
/** How often it is looked whether a copy is due; the first time after so long, when everybody has started work. */
const lookEveryMs = 10 * 60_000

/**
 * Whether the nightly copy is due: in the small hours when the last is not of this night, and at any hour when it is older than a
 * day and some, as on a machine that is off at night.
 * @param hour of the day where the yard is
 */
export function copyIsDue(nowMs: number, hour: number, lastMs: number | null): boolean {
  if (lastMs === null) return true
  const age = nowMs - lastMs
  return age > 26 * hourMs || (hour >= 1 && hour < 5 && age > 12 * hourMs)
}

export interface Housekeeping {
  /** What went wrong the last time, for the screen. */
  lastProblem: () => string | null
  /** Does what is due now. */
  look: () => Promise<void>
  stop: () => void
}

/** Nightly copies, and the bin emptied of what was thrown away thirty days ago. */
export function startHousekeeping(
  backup: BackupService,
  yard: YardService,
  jobs: JobService,
  clock: { nowMs: () => number; hour: () => number },
  log: (problem: string) => void,
): Housekeeping {
  let problem: string | null = null
  const look = async () => {
    try {
      const { nightly } = await yard.backupSettings()
      const [last] = await backup.copies()
      if (nightly && copyIsDue(clock.nowMs(), clock.hour(), last ? Date.parse(last.madeAt) : null)) {
        await backup.copy()
        await jobs.purge()
      }
      problem = null
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error)
      log(`The nightly copy was not made: ${problem}`)
    }
  }
  const timer = setInterval(() => void look(), lookEveryMs).unref()
  return { lastProblem: () => problem, look, stop: () => clearInterval(timer) }
}
