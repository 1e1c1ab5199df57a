import type { InkKind, View } from '@tidy-badger/core/drawing'

/** Where the yard hands out a machine's drawing. @param how.px how wide it is shown */
export function drawingAddress(
  machine: { id: string; version: number; variant?: string },
  how: { from: View; ink: InkKind; px: number },
): string {
  const asked = new URLSearchParams({
    version: String(machine.version),
    ...(machine.variant ? { variant: machine.variant } : {}),
    from: how.from,
    ink: how.ink,
    px: String(how.px),
  })
  return `/api/machines/${encodeURIComponent(machine.id)}/drawing.svg?${asked.toString()}`
}
