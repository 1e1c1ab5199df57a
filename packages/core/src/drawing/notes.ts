import type { Machine, PassageId, PointAt } from '../dossiers/index.ts'
import { heatNear, partsOf } from './partsOf.ts'

/** What does not go together between what a dossier says and how its machine is drawn. */
export interface DrawingNote {
  passage?: PassageId
  says: string
  remedy: string
}

/** As far as a drawn part may be from where it really is: a hand's breadth, more on a long machine, m. */
export function drawnWithinM({ lengthM }: { lengthM: number }): number {
  return Math.max(0.17, 0.045 * lengthM)
}

/**
 * Heat that a passage claims where nothing drawn near it gets so hot, and changes to parts that are not drawn.
 * @param pointsOf where a passage lies
 */
export function drawingNotes(machine: Machine, pointsOf: (passage: PassageId) => readonly PointAt[]): DrawingNote[] {
  const { body } = machine
  if (!body) return []
  const drawn = new Set(partsOf({ ...machine, body: { ...body, parts: [] } }).map((part) => part.id))
  const strangers = (body.parts ?? []).filter(({ id }) => !drawn.has(id))
  const named = (machine.covers ?? []).flatMap((cover) =>
    (cover.parts ?? []).filter((id) => !drawn.has(id)).map((id) => ({ cover: cover.name, id })),
  )
  return [
    ...strangers.map(({ id }) => ({
      says: `The drawing of this class has no part ${id}.`,
      remedy: 'Take the change out, or name a part that is drawn.',
    })),
    ...named.map(({ cover, id }) => ({
      says: `${cover} is said to be drawn as ${id}, and there is no such part.`,
      remedy: 'Name a part that is drawn, or none.',
    })),
    ...(machine.passages ?? []).flatMap((passage) =>
      passage.hazards.flatMap((hazard): DrawingNote[] => {
        if (hazard.kind !== 'hot') return []
        const points = pointsOf(passage.id)
        if (points.length === 0) return []
        const near = heatNear(machine, points, hazard.surfaceC)
        if (near && near.distanceM <= drawnWithinM(body)) return []
        return [
          {
            passage: passage.id,
            says: `Passage ${passage.name} claims ${hazard.what} at ${hazard.surfaceC} °C; ${
              near
                ? `the nearest drawn part that gets so hot, the ${near.part}, is ${Math.round(near.distanceM * 100)} cm away.`
                : 'nothing that is drawn gets so hot.'
            }`,
            remedy: 'Look whether the passage’s points, the heat, or the part’s place in the drawing is wrong.',
          },
        ]
      }),
    ),
  ]
}
