import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'

/** As much of a job as plans and papers need; can be handed to a worker. */
export interface PaperJob {
  title: string
  dossiers: JobDossiers
  state: JobState
}
