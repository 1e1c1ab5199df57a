import { create } from 'zustand'

export const workPictures = ['machine', 'settings', 'day', 'also'] as const
export type WorkPicture = (typeof workPictures)[number]

/** What is selected at a station of work, in list, drawing and day at once. */
interface WorkSelection {
  item: string | null
  picture: WorkPicture
}

export const useWorkSelection = create<WorkSelection>()(() => ({ item: null, picture: 'machine' }))

export function selectWork(item: string | null): void {
  useWorkSelection.setState({ item })
}

export function showWorkPicture(picture: WorkPicture): void {
  useWorkSelection.setState({ picture })
}
