import type { Machine } from '../dossiers/index.ts'
import { viewsOf, type View } from './bodyView.ts'
import { cabinInside } from './cabin.ts'
import { changed } from './changed.ts'
import type { CycleStyle } from './cycleFrame.ts'
import { cycleSide } from './cycleSide.ts'
import { cycleTop } from './cycleTop.ts'
import { quadSide, quadTop, sideBySideSide, sideBySideTop } from './fourWheelers.ts'
import { harvesterSide, harvesterTop } from './harvester.ts'
import { roadSide } from './roadSide.ts'
import { roadTop } from './roadTop.ts'
import type { Scene } from './scene.ts'
import { snowSide, snowTop } from './snow.ts'

/** What of a machine its drawing is made from. */
export type DrawnMachine = Pick<Machine, 'body' | 'engine' | 'class'>

/**
 * A machine drawn of its class's parts, by its size and engine, with what it has otherwise: from its left side, or from above with its front
 * to the left, or from its seats. Shapes in metres, the farthest first; empty for a machine whose size is not written down, and from inside
 * for one without a cabin.
 */
export function drawnFrom(machine: DrawnMachine, view: 'side' | 'top' | 'inside'): Scene {
  return kept(machine, view, () => changed(drawMachine(machine, view), machine.body?.parts ?? [], view))
}

const known = new WeakMap<DrawnMachine, Map<View, Scene>>()

/** A document never changes, so it is drawn once. */
export function kept(machine: DrawnMachine, view: View, draw: () => Scene): Scene {
  const scenes = known.get(machine) ?? new Map<View, Scene>()
  known.set(machine, scenes)
  const made = scenes.get(view) ?? draw()
  scenes.set(view, made)
  return made
}

function drawMachine({ body, engine, class: kind }: DrawnMachine, view: 'side' | 'top' | 'inside'): Scene {
  if (!body) return []
  if (view === 'inside')
    return viewsOf(body).includes(view) ? cabinInside(body, body.form === 'pickup' && engine.cylinders <= 4) : []
  const side = view === 'side'
  const { cylinders } = engine
  switch (body.form) {
    case 'motorcycle': {
      const figures = {
        style: styleOf(kind, cylinders, engine.cooling),
        cylinders,
        liquid: engine.cooling === 'liquid',
      }
      return side ? cycleSide(body, figures) : cycleTop(body, figures)
    }
    case 'quad':
      return side ? quadSide(body) : quadTop(body)
    case 'side-by-side':
      return side ? sideBySideSide(body) : sideBySideTop(body, cylinders)
    case 'snow machine':
      return side ? snowSide(body) : snowTop(body)
    case 'car':
    case 'pickup': {
      const figures = {
        cylinders,
        diesel: engine.fuel === 'diesel',
        bed: body.form === 'pickup',
        hatch: /hatch/i.test(kind),
      }
      return side ? roadSide(body, figures) : roadTop(body, figures)
    }
    case 'field machine':
      return side ? harvesterSide(body) : harvesterTop(body, cylinders)
  }
}

/** What a cycle looks like: by the word in its class, else by its engine. */
function styleOf(kind: string, cylinders: number, cooling: string): CycleStyle {
  for (const style of ['trail', 'sport', 'adventure', 'touring'] as const)
    if (kind.toLowerCase().includes(style)) return style
  if (cylinders === 1) return 'trail'
  return cooling === 'air' ? 'touring' : cylinders >= 3 ? 'sport' : 'adventure'
}
