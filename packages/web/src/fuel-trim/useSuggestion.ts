import { stoichOf } from '@tidy-badger/core/dossiers'
import {
  currentTrim,
  defaultLimits,
  requireTrimBasis,
  trimBasis,
  trimOfRevision,
  type TrimProblem,
} from '@tidy-badger/core/fuel-trim'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { useEffect, useState } from 'react'
import { useJob } from '../jobs/index.ts'
import { Unreachable } from '../platform/api/http.ts'
import { Cancelled, fitLog, type Running } from './fitClient.ts'
import type { FitOutcome } from './fitWorker.ts'
import { keepFit, keptFit } from './keptFit.ts'
import { logBytes } from './logBytes.ts'

export type SuggestionState =
  | { kind: 'none' }
  | { kind: 'working'; share: number; stage: string; cancel: () => void }
  | { kind: 'cancelled' }
  | { kind: 'failed'; message: string }
  | ({ kind: 'ready' } & Extract<FitOutcome, { ok: true }>)

type ImportedLog = JobState['logs'][number]

/** What is asked of a log as things stand. */
function questionOf(dossiers: JobDossiers, state: JobState, log: ImportedLog) {
  const { machine } = dossiers
  const { trim, target } = requireTrimBasis(dossiers)
  const problem: TrimProblem = {
    axes: { rpm: trim.rpm, load: trim.load },
    trimPct: trimOfRevision(state, log.tableInForce),
    currentPct: currentTrim(state),
    target,
    limits: { ...defaultLimits, ...machine.filters, idleRpm: machine.engine.idleRpm },
    options: { gain: trim.gain, maxStepPct: trim.maxStepPct, boundsPct: trim.boundsPct },
  }
  const stoichAfr = stoichOf(machine.engine)
  return { problem, stoichAfr, of: JSON.stringify([log.mapping, stoichAfr, problem]) }
}

/** What is being worked out: who asks for it meanwhile waits for it, and it is not done twice. */
let making: { of: string; done: Promise<void> } | null = null

/** Does a piece of work under the name of what it makes. */
async function make(of: string, work: () => Promise<void>): Promise<void> {
  const done = work().finally(() => {
    if (making?.done === done) making = null
  })
  making = { of, done }
  await done
}

/** Works out what the newest ride says before anybody asks, beside the screen. */
export async function prepareTrim(dossiers: JobDossiers, state: JobState): Promise<void> {
  const log = state.logs.at(-1)
  if (!log || !trimBasis(dossiers)) return
  const { of, problem, stoichAfr } = questionOf(dossiers, state, log)
  if (making?.of === of) return
  await make(of, async () => {
    if (await keptFit(log.log, of)) return
    const outcome = await fitLog(await logBytes(log.log), log.mapping, stoichAfr, problem, () => {}).done
    if (outcome.ok) await keepFit(log.log, of, outcome)
  })
}

/** What a log says about the present table; fitted anew whenever log or table change. */
export function useSuggestion(log: ImportedLog | undefined, attempt: number): SuggestionState {
  const { state, dossiers } = useJob()
  const [result, setResult] = useState<{ key: string; value: SuggestionState }>({ key: '', value: { kind: 'none' } })
  const revision = state.trim.revisions.at(-1)?.entry ?? 'shipped'
  const key = log ? `${log.log} ${revision} ${attempt}` : ''

  useEffect(() => {
    if (!log) return
    let running: Running<FitOutcome> | undefined
    let over = false
    const show = (value: SuggestionState): void => {
      if (!over) setResult({ key, value })
    }
    const cancel = () => {
      show({ kind: 'cancelled' })
      over = true
      running?.cancel()
    }
    const work = async () => {
      const { of, problem, stoichAfr } = questionOf(dossiers, state, log)
      if (making?.of === of) {
        show({ kind: 'working', share: 0.5, stage: 'reading the log', cancel })
        await making.done.catch(() => undefined)
      }
      if (over) return
      await make(of, () => workOut(of, problem, stoichAfr))
    }
    const workOut = async (of: string, problem: TrimProblem, stoichAfr: number) => {
      const kept = await keptFit(log.log, of)
      if (over) return
      if (kept) return show({ kind: 'ready', ...kept })
      show({ kind: 'working', share: 0, stage: 'fetching the log', cancel })
      const bytes = await logBytes(log.log)
      if (over) return
      running = fitLog(bytes, log.mapping, stoichAfr, problem, (share, stage) =>
        show({ kind: 'working', share, stage, cancel }),
      )
      const outcome = await running.done
      if (!outcome.ok) return show({ kind: 'failed', message: outcome.problems[0]?.message ?? '' })
      show({ kind: 'ready', ...outcome })
      // Kept for the next time; where there is no room it is worked out again.
      await keepFit(log.log, of, outcome).catch(() => undefined)
    }
    work().catch((error: unknown) => {
      if (error instanceof Cancelled) return
      show({
        kind: 'failed',
        message: error instanceof Unreachable ? 'The log is not on this device and the link is down.' : String(error),
      })
    })
    return () => {
      over = true
      running?.cancel()
    }
    // The key names everything the fit depends on; state and dossiers are read through it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key])

  return !log
    ? { kind: 'none' }
    : result.key === key
      ? result.value
      : { kind: 'working', share: 0, stage: 'starting', cancel: () => {} }
}
