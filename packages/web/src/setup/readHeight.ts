import { printedTyre } from '@tidy-badger/core/setup'
import { readFigure } from '@tidy-badger/core/shared'

const inMetres = [
  ['mm', 0.001],
  ['cm', 0.01],
  ['in', 0.0254],
  ['"', 0.0254],
  ['m', 1],
] as const

/** A height as typed, m: with its unit, plain in metres, or a printed size by what that usually measures. Null where it is none. */
export function readHeight(text: string): number | null {
  const typed = text.trim()
  const print = printedTyre(typed)
  if (print) return print.usualM
  for (const [unit, factor] of inMetres) {
    const figure = typed.toLowerCase().endsWith(unit) ? readFigure(typed.slice(0, -unit.length).trim()) : null
    if (figure !== null) return possible(figure * factor)
  }
  const plain = readFigure(typed)
  return plain === null ? null : possible(plain)
}

const possible = (metres: number) => (metres >= 0.1 && metres <= 3 ? Math.round(metres * 10_000) / 10_000 : null)
