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

/**
 * Whether a place takes these modules together: side by side along one of its sides, each any way round; where neither room nor size is written
 * down, one is as much as can be promised.
 */
export function hasRoomFor({ roomMm }: MountPlace, kits: readonly Pick<Kit, 'module'>[]): boolean {
  if (kits.length < 2) return true
  const sizes = kits.map(({ module }) => module.sizeMm)
  if (!roomMm) return false
  return [0, 1, 2].some((along) => {
    const [b, c] = roomMm.filter((_, side) => side !== along)
    let left = roomMm[along]
    for (const size of sizes) {
      if (!size || b === undefined || c === undefined) return false
      // The thinnest side that lets the other two lie across.
      const depths = waysRound(size).flatMap(([depth, p, q]) => (p <= b && q <= c ? [depth] : []))
      left -= Math.min(...depths, Infinity)
    }
    return left >= 0
  })
}

function waysRound([a, b, c]: readonly [number, number, number]): [number, number, number][] {
  return [
    [a, b, c],
    [a, c, b],
    [b, a, c],
    [b, c, a],
    [c, a, b],
    [c, b, a],
  ]
}
