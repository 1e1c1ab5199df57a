import type { Cavity } from './model.ts'

export type FaceLayout = 'grid' | 'staggered' | 'round'

/**
 * Cavities of a face seen from the wire side, numbered from top left along the rows.
 * @param columns per row; the last row may be shorter
 * @returns places in tenths of the face, 0 to 10
 */
export function gridCavities(count: number, rows: number, layout: FaceLayout = 'grid'): Cavity[] {
  if (!Number.isInteger(count) || count < 1 || !Number.isInteger(rows) || rows < 1)
    throw new Error(`dossiers: a face needs whole numbers of cavities and rows, not ${count} in ${rows}`)
  if (layout === 'round') return roundCavities(count)
  const columns = Math.ceil(count / rows)
  return Array.from({ length: count }, (_, i) => {
    const row = Math.floor(i / columns)
    const inRow = Math.min(columns, count - row * columns)
    const shift = layout === 'staggered' && row % 2 === 1 ? 0.5 : 0
    const wide = columns + (layout === 'staggered' ? 0.5 : 0)
    const start = layout === 'grid' && inRow < columns ? (columns - inRow) / 2 : 0
    return {
      number: i + 1,
      x: tenth((i - row * columns + start + shift + 0.5) / wide),
      y: tenth((row + 0.5) / Math.ceil(count / columns)),
    }
  })
}

function roundCavities(count: number): Cavity[] {
  const centre = count > 4 ? 1 : 0
  const around = count - centre
  return Array.from({ length: count }, (_, i) => {
    if (i >= around) return { number: i + 1, x: 5, y: 5 }
    const angle = (2 * Math.PI * i) / around - Math.PI / 2
    return { number: i + 1, x: tenth(0.5 + 0.33 * Math.cos(angle)), y: tenth(0.5 + 0.33 * Math.sin(angle)) }
  })
}

function tenth(part: number): number {
  return Math.round(part * 1000) / 100
}
