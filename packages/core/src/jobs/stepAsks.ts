import { type JobDossiers, type JobState, takeInQuestions } from './state.ts'
import type { Step } from '../dossiers/index.ts'
import { jobSteps, stepsOf } from './jobSteps.ts'
import type { NewEntry } from './model.ts'
import { sayBar } from './words.ts'

/** What a step still asks for before it may be ticked; null when it has everything. */
export function stepAsks(state: JobState, step: Step, entry: { wrote?: string; without?: string } = {}): string | null {
  if (reasonIsGiven(entry.without)) return null
  if (step.reading && !state.readings.some((reading) => reading.step === step.id))
    return sayBar('figure-asked', step.reading).words
  if (!step.asks || (entry.wrote ?? '').trim() !== '') return null
  const { words, told, question } = step.asks
  if (told && state.told.length > 0) return null
  const asked = takeInQuestions.find((item) => item === question)
  if (asked && state.decided.answers[asked]) return null
  return sayBar('words-asked', { asked: words }).words
}

/** Fewest words and letters of a reason: "ok" is none. */
const reasonWords = 3
const reasonLetters = 12

/** Whether a typed reason says anything: at least a few words. */
export function reasonIsGiven(text: string | undefined): boolean {
  const words = (text ?? '')
    .trim()
    .split(/\s+/)
    .filter((word) => /\p{L}{2,}/u.test(word))
  return words.length >= reasonWords && words.join('').length >= reasonLetters
}

export const reasonAsked = sayBar('reason-asked', {}).words

/** What still runs and holds up an entry, by the times the entries themselves give; null when nothing does. */
export function openWait(dossiers: JobDossiers, state: JobState, entry: NewEntry): string | null {
  const before = waitedFor(dossiers, state, entry)
  const at = entry.at === undefined ? NaN : Date.parse(entry.at)
  for (const step of before) {
    const done = state.stepsDone[step.id]
    const since = done?.at === undefined ? NaN : Date.parse(done.at)
    if (!step.wait || Number.isNaN(at) || Number.isNaN(since)) continue
    const left = step.wait.minutes - (at - since) / 60_000
    if (left > 0.5) return sayBar('wait-runs', { minutes: Math.ceil(left), why: step.wait.why }).words
  }
  return null
}

/** Steps with a wait that an entry has to wait out. */
function waitedFor(dossiers: JobDossiers, state: JobState, entry: NewEntry): Step[] {
  const steps = jobSteps(dossiers, state)
  if (entry.kind === 'cover-off') {
    const cover = dossiers.machine.covers?.find((item) => item.id === entry.cover)
    return cover?.hot ? steps.filter((step) => step.wait?.cools) : []
  }
  if (entry.kind !== 'step-done') return []
  const step = steps.find((item) => item.id === entry.step)
  return steps.filter((item) => step?.after?.includes(item.id) && item.wait && !item.wait.cools)
}

/** Steps of a station that ask for something nobody has given or declined yet. */
export function openAsks(dossiers: JobDossiers, state: JobState, station: Step['station']): Step[] {
  return stepsOf(dossiers, station, state).filter(
    (step) => !(step.id in state.stepsDone) && stepAsks(state, step) !== null,
  )
}
