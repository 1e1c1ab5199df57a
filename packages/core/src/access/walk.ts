import type { Body, Cover } from '../dossiers/index.ts'

/** How far from its side one stands at a machine, m. */
const standOffM = 0.5

/**
 * Where one stands to work at a cover: the nearest point of a rectangle half a metre around the machine, as a length along
 * it, m, from the front left corner clockwise. Null where the cover's place or the machine's size is not known.
 */
export function standingPoint(cover: Cover, body: Body | undefined): number | null {
  if (!cover.box || !body) return null
  const { x, y } = cover.box
  const long = body.lengthM + 2 * standOffM
  const wide = body.widthM + 2 * standOffM
  const along = Math.min(long, Math.max(0, x + standOffM))
  const across = Math.min(wide, Math.max(0, y + body.widthM / 2 + standOffM))
  const sides: [number, number][] = [
    [along, across],
    [wide - across, wide + along],
    [long - along, wide + long + (wide - across)],
    [across, 2 * wide + long + (long - along)],
  ]
  return sides.reduce((best, side) => (side[0] < best[0] ? side : best))[1]
}

/** The way around the machine between two covers, the shorter way round, whole centimetres; 0 where a place is not known. */
export function walkCm(a: number | null, b: number | null, body: Body | undefined): number {
  if (a === null || b === null || !body) return 0
  const round = 2 * (body.lengthM + body.widthM + 4 * standOffM)
  const apart = Math.abs(a - b) % round
  return Math.round(Math.min(apart, round - apart) * 100)
}
