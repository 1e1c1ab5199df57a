import type { Rect } from './bodyView.ts'

/** A tag that wants to stand at a point. */
export interface TagWanted {
  id: string
  at: { x: number; y: number }
  width: number
  height: number
}

export interface TagPlaced extends Rect {
  id: string
}

/** Whether two places share more than an edge. */
export function overlaps(a: Rect, b: Rect): boolean {
  const [right, bottom] = [Math.min(a.x + a.width, b.x + b.width), Math.min(a.y + a.height, b.y + b.height)]
  return right - Math.max(a.x, b.x) > 1e-9 && bottom - Math.max(a.y, b.y) > 1e-9
}

/** Directions tried round a point: below first, where a tag hangs, then above and to the sides. */
const directions = [90, 270, 45, 135, 315, 225, 0, 180, 67, 113, 247, 293].map((deg) => (deg * Math.PI) / 180)

/**
 * Tags near their points, in their order: each as near as it can be without standing on another, on what is taken already, or on its own
 * point. Farther out there is always room.
 * @param taken what nothing may stand on
 * @param gap between a point and its tag, and between tags
 */
export function placeTags(tags: readonly TagWanted[], taken: readonly Rect[], gap: number): TagPlaced[] {
  const placed: TagPlaced[] = []
  const free = (rect: Rect) => {
    const wide = { x: rect.x - gap / 2, y: rect.y - gap / 2, width: rect.width + gap, height: rect.height + gap }
    return !taken.some((other) => overlaps(wide, other)) && !placed.some((other) => overlaps(wide, other))
  }
  for (const { id, at, width, height } of tags) {
    const step = height / 2
    for (let ring = 0; ; ring++) {
      const away = gap + ring * step
      const spots = directions.map((angle): TagPlaced => {
        const [dx, dy] = [Math.cos(angle), Math.sin(angle)]
        const [x, y] = [at.x + dx * (away + width / 2), at.y + dy * (away + height / 2)]
        return { id, x: x - width / 2, y: y - height / 2, width, height }
      })
      const spot = spots.find(free)
      if (!spot) continue
      placed.push(spot)
      break
    }
  }
  return placed
}
