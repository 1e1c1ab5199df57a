import { create } from 'zustand'

/** Whether it is being written down that the machine is otherwise than its dossier says. */
export const useFinding = create<{ open: boolean }>()(() => ({ open: false }))

export function openFinding(open = true): void {
  useFinding.setState({ open })
}
