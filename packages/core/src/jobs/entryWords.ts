import { jobJournal } from './jobJournal.ts'
import { jobSteps } from './jobSteps.ts'
import type { NewEntry } from './model.ts'
import type { JobDossiers, JobState } from './state.ts'

/** One line of the journal; a step in the words it has on this job, with its places and figures. */
export function entryWords(entry: NewEntry, dossiers: JobDossiers, state: JobState): string {
  if (entry.kind !== 'step-done') return jobJournal.words(entry, dossiers)
  const { machine } = dossiers
  return jobJournal.words(entry, {
    ...dossiers,
    machine: { ...machine, steps: [...jobSteps(dossiers, state), ...machine.steps] },
  })
}
