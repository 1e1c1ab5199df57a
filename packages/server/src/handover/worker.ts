import { handbackSheet } from '@tidy-badger/core/handover'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { wiringSvg } from '../wiring/index.ts'
import { sheetPdf } from './sheetPdf.ts'

export interface SheetTask {
  row: { title: string; createdAt: string }
  dossiers: JobDossiers
  state: JobState
  madeAt: string
  /** Photos that go into the pack by hash; null where one cannot be drawn. */
  photos: ReadonlyMap<string, Uint8Array | null>
}

/** The hand-back paper. */
export function sheet({ row, dossiers, state, madeAt, photos }: SheetTask): Promise<Uint8Array> {
  const made = handbackSheet(dossiers, row, state)
  const pictures = made.photos.map(({ hash, says }) => {
    const jpeg = photos.get(hash)
    return { says, jpeg: jpeg ? Buffer.from(jpeg) : null }
  })
  return sheetPdf(made, wiringSvg(dossiers, state, row.title), madeAt, pictures)
}
