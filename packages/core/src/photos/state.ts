import type { Station, KitEndId, CoverId, PassageId, StepId } from '../dossiers/index.ts'
import type { Done } from '../journal/index.ts'

export const photoShows = ['before', 'damage', 'work', 'after'] as const
export type PhotoShows = (typeof photoShows)[number]

/** What a photo hangs on. */
export interface PhotoPlace {
  station?: Station
  entry?: string
  step?: StepId
  cover?: CoverId
  kitEnd?: KitEndId
  passage?: PassageId
}

export interface TakenPhoto extends Done {
  /** SHA-256 of its bytes. */
  photo: string
  bytes: number
  widthPx: number
  heightPx: number
  shows: PhotoShows
  caption?: string
  /** Goes into the hand-back pack. */
  handBack: boolean
  about?: PhotoPlace
}

export interface PhotoState {
  photos: TakenPhoto[]
}

export function freshPhotos(): PhotoState {
  return { photos: [] }
}
