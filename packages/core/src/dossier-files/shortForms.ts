import type { Problem } from '../shared/index.ts'
import * as cells from './cells.ts'
import type { Cell } from './cells.ts'

/** How a field that is deep in the document stands in a YAML file: in the same words as in a table. */
function shortForm(name: string, within: string): Cell | null {
  if (name === 'cavities') return cells.cavities
  if (name === 'minutes' || ((name === 'off' || name === 'on') && within !== 'reading')) return cells.minutes
  if (name === 'colour' && !['shell', 'lock', 'lamps'].includes(within)) return cells.wireColour
  return null
}

/** The value with such fields as people write them; one that is no list and no object stays as it is. */
export function shortened(value: unknown, name = '', within = ''): unknown {
  if (typeof value !== 'object' || value === null) return value
  const form = shortForm(name, within)
  if (form) return form.write(value)
  if (Array.isArray(value)) return value.map((item) => shortened(item, '', name || within))
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, shortened(inner, key, name || within)]))
}

/**
 * The value with such fields as the document has them.
 * @param placeOf where a field stands
 * @param problems what cannot be read is added to them
 */
export function lengthened(
  value: unknown,
  placeOf: (field: readonly string[]) => Pick<Problem, 'file' | 'line' | 'column'>,
  problems: Problem[],
): unknown {
  const walk = (inner: unknown, field: readonly string[], name: string, within: string): unknown => {
    if (typeof inner === 'string') {
      const form = shortForm(name, within)
      if (!form) return inner
      const reading = cells.readCell(form, inner)
      if ('value' in reading) return reading.value
      problems.push({ code: 'cell-unread', path: field.join('.'), ...placeOf(field), message: reading.says })
      return inner
    }
    if (typeof inner !== 'object' || inner === null) return inner
    if (Array.isArray(inner)) return inner.map((item, i) => walk(item, [...field, String(i)], '', name || within))
    return Object.fromEntries(
      Object.entries(inner).map(([key, item]) => [key, walk(item, [...field, key], key, name || within)]),
    )
  }
  return walk(value, [], '', '')
}
