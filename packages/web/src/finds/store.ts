import { create } from 'zustand'
import type { InHand } from './inHand.ts'

/** The tick at which it is being written down that the machine is otherwise than its dossier says; null: nowhere. */
export const useFinding = create<{ of: InHand | null }>()(() => ({ of: null }))

export function openFinding(of: InHand): void {
  useFinding.setState({ of })
}

export function closeFinding(): void {
  useFinding.setState({ of: null })
}
