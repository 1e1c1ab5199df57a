import { wireLabels } from '@tidy-badger/core/handover'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { labelsPdf } from './labelsPdf.ts'

export interface LabelsTask {
  row: { id: string; title: string }
  dossiers: JobDossiers
  state: JobState
  form: 'sheet' | 'strip'
  home: string
}

export function labels({ row, dossiers, state, form, home }: LabelsTask): Promise<Uint8Array> {
  return labelsPdf(wireLabels(dossiers, row, state), form, home, row.title)
}
