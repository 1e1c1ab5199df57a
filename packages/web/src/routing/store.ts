import type { LoomPartId } from '@tidy-badger/core/dossiers'
import { create } from 'zustand'

export const loomPictures = ['way', 'places', 'power', 'lengths'] as const
export type LoomPicture = (typeof loomPictures)[number]

interface LoomView {
  picture: LoomPicture
  /** Branch in hand, `trunk`, or nothing. */
  part: LoomPartId | null
  /** Passages can be tapped to say where the part really lies. */
  marking: boolean
}

/** What is looked at; what is true stands in the journal. */
export const useLoomView = create<LoomView>()(() => ({ picture: 'way', part: null, marking: false }))

export const showPicture = (picture: LoomPicture) => useLoomView.setState({ picture })
export const pickPart = (part: LoomPartId | null) => useLoomView.setState({ part, marking: false })
export const setMarking = (marking: boolean) => useLoomView.setState({ marking })
