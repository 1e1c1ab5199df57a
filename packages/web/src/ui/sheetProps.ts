import type { ReactNode } from 'react'

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
