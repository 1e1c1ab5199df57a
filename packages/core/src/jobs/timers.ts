import type { JobDossiers, JobState } from './state.ts'

/** Something that is waited for. */
export interface RunningTimer {
  /** Entry that started it. */
  entry: string
  what: string
  /** ISO 8601 instants. */
  startedAt: string
  endsAt: string
  /** Set by hand rather than by a step. */
  byHand: boolean
}

/** Waits that steps have set off and timers somebody started, in the order they end. Those stopped are left out. */
export function timersOf({ machine, kit }: JobDossiers, state: JobState): RunningTimer[] {
  const waits = [...machine.steps, ...kit.steps].flatMap((step): RunningTimer[] => {
    const done = state.stepsDone[step.id]
    if (!step.wait || done?.at === undefined) return []
    return [running(done.entry, step.wait.why, done.at, step.wait.minutes, false)]
  })
  const own = state.timers.flatMap((timer): RunningTimer[] =>
    timer.stopped || timer.at === undefined ? [] : [running(timer.entry, timer.what, timer.at, timer.minutes, true)],
  )
  return [...waits, ...own].sort((a, b) => Date.parse(a.endsAt) - Date.parse(b.endsAt))
}

function running(entry: string, what: string, at: string, minutes: number, byHand: boolean): RunningTimer {
  const started = Date.parse(at)
  return {
    entry,
    what,
    startedAt: at,
    endsAt: isoAt(started + minutes * 60_000),
    byHand,
  }
}

function isoAt(milliseconds: number): string {
  return new Date(milliseconds).toISOString()
}
