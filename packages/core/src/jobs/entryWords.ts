import { jobJournal } from './jobJournal.ts'
import { jobSteps } from './jobSteps.ts'
import type { NewEntry } from './model.ts'
import type { JobDossiers, JobState } from './state.ts'

/** One line of the journal; a step in the words it has on this job, with its places and figures. */
export function entryWords(entry: NewEntry, dossiers: JobDossiers, state: JobState): string {
  const words = jobJournal.words(entry, dossiers)
  if (entry.kind !== 'step-done') return words
  const raw = [...dossiers.machine.steps, ...dossiers.kit.steps].find(({ id }) => id === entry.step)?.text
  const own = jobSteps(dossiers, state).find(({ id }) => id === entry.step)?.text
  return raw !== undefined && own !== undefined ? words.replace(raw, () => own) : words
}
