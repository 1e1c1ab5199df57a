import type { PointAt } from '@tidy-badger/core/dossiers'
import { nearestFirst } from '@tidy-badger/core/drawing'
import type { Paper } from './MachineCanvas.tsx'

/** A thing of a drawing that keys reach: what it is, where, and what it does when it is pressed. */
export interface TabPlace {
  id: string
  label: string
  at: PointAt
  pressed?: boolean
  act?: () => void
}

/**
 * Where the keys go in a drawing, the nearest to the work first: what is painted lies in the order of near and far, which is another. Unseen
 * until it has the focus; a finger meets what is painted.
 */
export function TabPlaces({
  places,
  from,
  paper: { at, unit },
}: {
  places: readonly TabPlace[]
  /** Where the work is; null: in the order given. */
  from: PointAt | null
  paper: Paper
}) {
  return nearestFirst(from, places).map(({ id, label, at: point, pressed, act }) => {
    const [cx, cy] = at(point)
    return (
      <circle
        key={id}
        cx={cx}
        cy={cy}
        r={13 * unit}
        fill="transparent"
        pointerEvents="none"
        role={act ? 'button' : 'img'}
        tabIndex={0}
        aria-label={label}
        {...(act ? { 'aria-pressed': pressed ?? false } : {})}
        onClick={act}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !act) return
          event.preventDefault()
          act()
        }}
      />
    )
  })
}
