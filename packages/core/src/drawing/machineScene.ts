import { type View } from './bodyView.ts'
import { drawnFrom, kept, type DrawnMachine } from './drawnFrom.ts'
import { fromBelow, fromRight } from './otherSides.ts'
import { partsOf } from './partsOf.ts'
import type { Scene } from './scene.ts'

/** The machine in any view, in its own axes ({@link bodyView} turns them). */
export function machineScene(machine: DrawnMachine, view: View): Scene {
  const { body } = machine
  if (!body) return []
  if (view === 'side' || view === 'top' || view === 'inside') return drawnFrom(machine, view)
  return kept(machine, view, () =>
    view === 'right'
      ? fromRight(drawnFrom(machine, 'side'), partsOf(machine), body)
      : fromBelow(drawnFrom(machine, 'top'), drawnFrom(machine, 'side'), partsOf(machine), body),
  )
}
