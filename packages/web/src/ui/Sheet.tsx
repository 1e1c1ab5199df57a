import { comesLater } from './comesLater.tsx'
import type { SheetProps } from './sheetProps.ts'

/** A sheet over the page: from the right on wide screens, from below on a phone. */
export const Sheet = comesLater(
  async () => (await import('./SheetDialog.tsx')).SheetDialog,
  ({ open }: SheetProps) => open,
)
