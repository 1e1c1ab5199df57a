const written = /^([+-])?(\d{1,9}(?:\.\d{1,9})?|\.\d{1,9})$/

/**
 * A figure as people type it: with decimal point or comma, any of the signs for minus, spaces around, and its own unit behind it or not.
 * @param unit whose sign may stand behind the figure; another one makes it unreadable
 * @returns null where it is no plain number
 */
export function readFigure(text: string, unit?: string): number | null {
  const plain = text.trim().replace(/[−–]/g, '-').replace(',', '.')
  const end = unit && plain.toLowerCase().endsWith(unit.toLowerCase()) ? plain.slice(0, -unit.length).trimEnd() : plain
  const [, sign, digits] = written.exec(end) ?? []
  return digits === undefined ? null : Number(digits) * (sign === '-' ? -1 : 1)
}
