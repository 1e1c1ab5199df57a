import type { Body, PointAt } from '../dossiers/index.ts'

/** From where a point of a machine is shown: into the bay of a car or pickup from above, all others from their left side. */
export function viewFor({ form }: Body): 'side' | 'top' {
  return form === 'car' || form === 'pickup' ? 'top' : 'side'
}

/** Where a point is across and along the machine, in words; a tenth of the width is still the middle. */
export function whereWords({ lengthM, widthM }: Body, { x, y }: PointAt): string {
  const across = Math.abs(y) < widthM / 10 ? 'in the middle' : y < 0 ? 'on the left' : 'on the right'
  const along = x < lengthM / 3 ? 'front' : x < (2 * lengthM) / 3 ? 'middle' : 'rear'
  return along === 'middle' && across === 'in the middle' ? 'in the middle' : `${along}, ${across}`
}
