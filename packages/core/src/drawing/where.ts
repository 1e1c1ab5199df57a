import type { Body, PointAt } from '../dossiers/index.ts'

/** Where a point is across and along the machine, in words; a tenth of the width is still the middle. */
export function whereWords({ lengthM, widthM }: Body, { x, y }: PointAt): string {
  const across = Math.abs(y) < widthM / 10 ? 'in the middle' : y < 0 ? 'on the left' : 'on the right'
  const along = x < lengthM / 3 ? 'front' : x < (2 * lengthM) / 3 ? 'middle' : 'rear'
  return along === 'middle' && across === 'in the middle' ? 'in the middle' : `${along}, ${across}`
}
