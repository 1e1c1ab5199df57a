import type { DrawnPartChange, DrawnPartId } from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { boxOf, movedPath } from './path.ts'
import { between, type Point, type Scene } from './scene.ts'

/** The id of a part by its name: parts of one name are one part of the list. */
export function partIdOf(name: string): DrawnPartId {
  const id = ids.get(name) ?? asId<DrawnPartId>(name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-'))
  ids.set(name, id)
  return id
}

/** There are some hundred names; a drawing that is moved asks for them again and again. */
const ids = new Map<string, DrawnPartId>()

/** A scene with what a machine has otherwise: parts moved, of another size about their own middle, or not there. */
export function changed(scene: Scene, changes: readonly DrawnPartChange[], view: 'side' | 'top' | 'inside'): Scene {
  if (changes.length === 0) return scene
  const byId = new Map(changes.map((change) => [change.id, change]))
  const middles = new Map<DrawnPartId, Point>()
  for (const id of byId.keys()) {
    const paths = scene.filter((shape) => partIdOf(shape.part) === id).map(({ d }) => ({ d }))
    const { low, high } = boxOf(paths)
    middles.set(id, between(low, high))
  }
  return scene.flatMap((shape) => {
    const change = byId.get(partIdOf(shape.part))
    if (!change) return [shape]
    if (change.gone) return []
    const { dx = 0, dy = 0, dz = 0, size = 1 } = change
    const by: Point = [view === 'inside' ? dy : dx, view === 'top' ? dy : dz]
    const d = movedPath(shape.d, middles.get(change.id) ?? [0, 0], size, by)
    return [{ ...shape, d, ...(shape.tubeM === undefined ? {} : { tubeM: shape.tubeM * size }) }]
  })
}
