import { useGesture } from '@use-gesture/react'
import type { RefObject } from 'react'

/**
 * Fingers and wheel on a drawing: one finger or the mouse pushes it, two come nearer or go farther, the wheel as well.
 * @param props.onPush by how much on the screen, px
 * @param props.onZoom so many times as near, about a point of the screen
 */
export function DrawingGestures({
  target,
  pushes,
  onPush,
  onZoom,
}: {
  target: RefObject<SVGSVGElement | null>
  /** Nothing to push while all of it is seen: the page scrolls instead. */
  pushes: boolean
  onPush: (dx: number, dy: number) => void
  onZoom: (factor: number, at: [number, number]) => void
}) {
  useGesture(
    {
      onDrag: ({ delta: [dx, dy], pinching }) => {
        if (!pinching && pushes) onPush(dx, dy)
      },
      onPinch: ({ origin, movement: [now], memo, first }) => {
        const before = first || typeof memo !== 'number' ? 1 : memo
        onZoom(now / before, [origin[0], origin[1]])
        return now
      },
      onWheel: ({ event, delta: [, dy], ctrlKey }) => {
        if (ctrlKey || !(event.target instanceof Element)) return
        if (!event.target.closest('svg')?.parentElement?.matches(':focus-within')) return
        event.preventDefault()
        onZoom(Math.exp(-dy / 400), [event.clientX, event.clientY])
      },
    },
    {
      target,
      eventOptions: { passive: false },
      drag: { filterTaps: true, enabled: pushes },
      pinch: { from: [1, 0] },
    },
  )
  return null
}
