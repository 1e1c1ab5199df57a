import type { ReactNode } from 'react'
import { comesLater } from './comesLater.tsx'

export interface SheetProps {
  open: boolean
  onClose: () => void
  title: string
  hint?: string
  wide?: boolean
  /** There is nothing in it but to be read: it is scrolled by keys. */
  read?: boolean
  children: ReactNode
}

/** A sheet over the page: from the right on wide screens, from below on a phone. */
export const Sheet = comesLater(
  async () => (await import('./SheetDialog.tsx')).SheetDialog,
  ({ open }: SheetProps) => open,
)
