import type { Kit, MountPlace } from '../dossiers/index.ts'

/** What speaks against a place for this module whatever the loom does: room, heat, water, shaking. Unknown figures say nothing. */
export function placeAgainst(place: MountPlace, { module }: Pick<Kit, 'module'>): string[] {
  const against: string[] = []
  const { roomMm, maxC, vibration, wet } = place
  if (roomMm && module.sizeMm && !fits(roomMm, module.sizeMm))
    against.push(
      `The ${module.name} is ${module.sizeMm.join(' × ')} mm, ${place.name} has ${roomMm.join(' × ')} mm of room.`,
    )
  if (maxC !== undefined && module.maxC !== undefined && maxC > module.maxC)
    against.push(`${place.name} gets ${maxC} °C warm; the ${module.name} bears ${module.maxC} °C.`)
  if (module.seen && !place.dash)
    against.push(`${place.name} is not in view while driving, and the ${module.name} has to be.`)
  if (wet && module.sealed === false) against.push(`${place.name} gets wet, and the ${module.name} is not closed.`)
  if (vibration === 'high' && !module.shakeproof)
    against.push(`${place.name} shakes hard: solder joints inside a module break there.`)
  return against
}

/** Any way round, as long as each side finds one at least as long. */
function fits(room: readonly number[], size: readonly number[]): boolean {
  const [a, b] = [room, size].map((sides) => [...sides].sort((x, y) => x - y))
  return a.every((side, i) => side >= b[i])
}
