/** A tyre size as it stands on the sidewall, and what it comes to. */
export interface PrintedTyre {
  /** Free diameter by the print, m. */
  freeM: number
  /** What ground to top usually measures on the wheels, m. */
  usualM: number
}

/** Of its printed diameter a tyre on the ground usually measures so much. */
export const squat = 0.97

const inch = 0.0254
/** 33×12.5 R15, 26x9-12: diameter and width in inches. */
const inInches = /^(\d{2}(?:\.\d+)?)\s*[x×*]\s*\d{1,2}(?:\.\d+)?(?:\s*(?:[a-z]{0,2}r|-|x|×)?\s*\d{1,2}(?:\.\d+)?)?$/i
/** 285/70 R17, 120/70 ZR 17, LT 245/75R16: width in mm, height of the wall in % of it, rim in inches. */
const byWall = /^(?:lt|p|c)?\s*(\d{2,3})\s*\/\s*(\d{2,3})\s*(?:[a-z]{0,2}r|-|\s)\s*(\d{1,2}(?:\.5)?)\s*[a-z]?$/i

/**
 * A printed tyre size that was typed where a height was asked for; null where it is none. Load index and speed letter behind it are left out.
 * Source: the marks of the European and American tyre standards: width in mm and wall in %, or diameter and width in inches.
 */
export function printedTyre(text: string): PrintedTyre | null {
  const size = text
    .trim()
    .replace(',', '.')
    .replace(/\s+\(?\d{2,3}(?:\/\d{2,3})?\s*[a-z]\)?$/i, '')
  const inches = inInches.exec(size)
  const wall = byWall.exec(size)
  const freeM = inches
    ? Number(inches[1]) * inch
    : wall
      ? Number(wall[3]) * inch + (2 * Number(wall[1]) * Number(wall[2])) / 100_000
      : null
  if (freeM === null || freeM < 0.2 || freeM > 3) return null
  return { freeM: round(freeM), usualM: round(squat * freeM) }
}

const round = (value: number) => Math.round(value * 1000) / 1000
