import type { CavityPlace, KitEndId } from '@tidy-badger/core/dossiers'
import { create } from 'zustand'

export const pictures = ['loom', 'card', 'signals', 'meter', 'record'] as const
export type HookUpPicture = (typeof pictures)[number]

/** What is selected at hook-up, in every picture at once. */
interface Selection {
  end: KitEndId | null
  place: CavityPlace | null
  picture: HookUpPicture
}

export const useSelection = create<Selection>()(() => ({ end: null, place: null, picture: 'loom' }))

export function selectEnd(end: KitEndId | null): void {
  useSelection.setState({ end, place: null })
}

/** Selects a cavity, and the end that belongs there if there is one. */
export function selectPlace(place: CavityPlace | null, end?: KitEndId): void {
  useSelection.setState(end === undefined ? { place } : { place, end })
}

export function showPicture(picture: HookUpPicture): void {
  useSelection.setState({ picture })
}

export function startSelection(end: KitEndId | null): void {
  useSelection.setState({ end, place: null, picture: 'loom' })
}
