import { barredMeanwhile, regenerating } from '../aftertreatment/index.ts'
import type { Refusal } from '../journal/index.ts'
import { stepOf } from '../dossiers/index.ts'
import { whileItStands } from '../shared/index.ts'
import type { Capability } from './capability.ts'
import { jobFindings } from './jobFindings.ts'
import type { NewEntry } from './model.ts'
import type { JobDossiers, JobState } from './state.ts'
import { stationBars } from './stationProgress.ts'
import { openAsks, openWait, reasonAsked, reasonIsGiven, stepAsks } from './stepAsks.ts'

type Gate = (dossiers: JobDossiers, state: JobState, entry: NewEntry) => Refusal[]

/** Whether an entry says that the engine was started at wake, and well: what must come before it came before it. */
function startsEngine(dossiers: JobDossiers, entry: NewEntry): boolean {
  if (entry.kind === 'started') return entry.verdict === 'pass'
  const step = entry.kind === 'step-done' ? stepOf(dossiers, entry.step) : undefined
  return step?.station === 'wake' && step.engine === 'runs'
}

/** What bars entries by what several capabilities know together: stops, what a step asks for, waits, the tray. */
export function jobGates(list: readonly Capability[]): Gate[] {
  const gates: Gate[] = [
    (dossiers, state, entry) => {
      if (entry.kind !== 'station-done') return []
      const bars = stationBars(dossiers, state, entry.station, () => jobFindings(dossiers, state, {}, list))
      const stops = bars.filter((bar) => bar.code !== 'tray-not-empty')
      if (stops.length > 0) return stops.map(({ code, says }) => ({ code, message: says }))
      const open = openAsks(dossiers, state, entry.station)
      if (open.length > 0)
        return [
          {
            code: 'step-asks',
            message: `Nothing is written down yet for ${open.map((step) => step.reading?.quantity ?? step.asks?.words ?? step.id).join('; ')}.`,
          },
        ]
      return bars.slice(0, 1).map(({ code, says }) => ({ code, message: says }))
    },
    (dossiers, state, entry) => {
      if (entry.kind !== 'step-done') return []
      const step = stepOf(dossiers, entry.step)
      const asks = step && stepAsks(state, step, entry)
      return asks ? [{ code: 'step-asks', message: `${asks} Give it, or say why it is done without.` }] : []
    },
    (dossiers, state, entry) => {
      if ((entry.kind !== 'step-done' && entry.kind !== 'cover-off') || reasonIsGiven(entry.without)) return []
      const wait = openWait(dossiers, state, entry)
      return wait === null ? [] : [{ code: 'wait-open', message: `${wait} Wait, or say why not.` }]
    },
    (dossiers, state, entry) => {
      if (!startsEngine(dossiers, entry)) return []
      const [bar] = list.flatMap(({ bars }) => bars?.(dossiers, state, 'set-up') ?? [])
      return bar === undefined ? [] : [{ code: 'not-set-up', message: bar }]
    },
    (_dossiers, state, entry) => {
      if (entry.kind === 'regeneration')
        return (entry.phase === 'started') === regenerating(state)
          ? [
              {
                code: 'regenerating',
                message: regenerating(state) ? 'One is under way already.' : 'None is under way.',
              },
            ]
          : []
      return regenerating(state) && barredMeanwhile(entry.kind)
        ? [
            {
              code: 'regenerating',
              message: 'A regeneration by hand is under way: no pull, no loaded run and no trim until it has ended.',
            },
          ]
        : []
    },
    (dossiers, state, entry) => {
      if (entry.kind !== 'stop-lifted') return []
      if (!reasonIsGiven(entry.reason)) return [{ code: 'reason-short', message: reasonAsked }]
      return jobFindings(dossiers, state, {}, list).some((finding) => finding.key === entry.finding)
        ? []
        : [{ code: 'no-such-finding', message: 'There is no such stop now. It may have been mended.' }]
    },
  ]
  return gates.map(
    (gate): Gate =>
      (dossiers, state, entry) =>
        whileItStands(state, () => gate(dossiers, state, entry)),
  )
}
