import type { Body, PointAt } from '../dossiers/index.ts'

/** Where a point is across and along the machine, in words; a tenth of the width is still the middle. */
export function whereWords({ lengthM, widthM }: Body, { x, y }: PointAt): string {
  const across = Math.abs(y) < widthM / 10 ? 'in the middle' : y < 0 ? 'on the left' : 'on the right'
  const along = x < lengthM / 3 ? 'front' : x < (2 * lengthM) / 3 ? 'middle' : 'rear'
  return along === 'middle' && across === 'in the middle' ? 'in the middle' : `${along}, ${across}`
}

/**
 * Things of a drawing, the nearest to where the work is first: the order in which keys go from one to the next. Equally near ones
 * stay as they stand.
 * @param from where the work is, m; null leaves the order as it is
 */
export function nearestFirst<T extends { at: PointAt }>(from: PointAt | null, things: readonly T[]): T[] {
  if (!from) return [...things]
  const away = ({ at }: T) => Math.hypot(at.x - from.x, at.y - from.y, at.z - from.z)
  return things
    .map((thing) => ({ thing, away: away(thing) }))
    .sort((a, b) => a.away - b.away)
    .map(({ thing }) => thing)
}
