import { readFigure } from './readFigure.ts'

const inMm: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4 }

/** A length in mm, with one of these units behind it; null where it is none. @param plain what is meant where no unit stands there */
export function readMm(text: string, plain: 'mm' | 'm' = 'mm'): number | null {
  const [, figure = text, unit = plain] = /^(.*?)\s*(mm|cm|m|in|")?$/i.exec(text.trim()) ?? []
  const value = readFigure(figure)
  return value === null ? null : value * (inMm[unit.toLowerCase()] ?? 1)
}
