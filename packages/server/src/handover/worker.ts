import { handbackSheet, proofPage, roadsideCard } from '@tidy-badger/core/handover'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { startPlanning } from '@tidy-badger/core/planning'
import { wiringSvg } from '../wiring/index.ts'
import { proofPdf } from './proofPdf.ts'
import { roadsidePdf } from './roadsidePdf.ts'
import { sheetPdf } from './sheetPdf.ts'

startPlanning()

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

/** The card that stays in the machine. */
export function roadside({ row, dossiers, state, madeAt }: Omit<SheetTask, 'photos'>): Promise<Uint8Array> {
  return roadsidePdf(roadsideCard(dossiers, row, state), madeAt)
}

/** The owner's page of proof. */
export function proof({ row, dossiers, state, madeAt }: Omit<SheetTask, 'photos'>): Promise<Uint8Array> {
  return proofPdf(proofPage(dossiers, row, state), madeAt)
}
