import { readMm } from '../shared/index.ts'
import { printedTyre } from './printedTyre.ts'

/** A height as typed, m: with its unit, plain in metres, or a printed size by what that usually measures. Null where it is none. */
export function readHeight(text: string): number | null {
  const print = printedTyre(text)
  if (print) return print.usualM
  const mm = readMm(text, 'm')
  return mm !== null && mm >= 100 && mm <= 3000 ? Math.round(mm * 10) / 10_000 : null
}
