import { readArea, type Kit, type KitPlaceId } from '../dossiers/index.ts'
import type { Cell } from '../dossier-files/index.ts'
import { readFigure } from '../shared/index.ts'
import { readSort, sortText } from './sortWords.ts'
import type { SignalSort } from '../dossiers/index.ts'

/** A cell of values that the schema has let through. */
function cell<T>(write: (value: T) => string, read: Cell['read']): Cell {
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the schema has let it through
  return { write: (value) => write(value as T), read }
}

/** Longer than any loom or machine, mm. */
const longestMm = 10_000

/** Metres in the document, typed in mm; "m", "cm" and inches behind the figure are read as well. */
export const millimetres = cell<number>(
  (value) => String(Math.round(value * 1e6) / 1e3),
  (text) => {
    const [, figure = text, unit = 'mm'] = /^(.*?)\s*(mm|cm|m|in|")?$/i.exec(text.trim()) ?? []
    const value = readFigure(figure)
    const mm = value === null ? null : value * (inMm[unit.toLowerCase()] ?? 1)
    return mm === null || mm < 0 || mm > longestMm
      ? { says: `"${text}" is no length. Write it in mm, from 0 to ${longestMm}.` }
      : { value: Math.round(mm * 1e3) / 1e6 }
  },
)
const inMm: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4 }

/** Metres in the document, typed in mm either way. */
export const shift = cell<number>(
  (value) => String(Math.round(value * 1e6) / 1e3),
  (text) => {
    const value = readFigure(text, 'mm')
    return value === null ? { says: `"${text}" is no distance in mm.` } : { value: value / 1000 }
  },
)

/** mm², or a gauge as `AWG 20`. */
export const area = cell<number>(String, (text) => {
  const value = readArea(text)
  return value === null ? { says: `"${text}" is no cross-section in mm² and no AWG.` } : { value }
})

/** A figure; its unit may stand behind it. */
export function figure(unit: string): Cell {
  return cell<number>(String, (text) => {
    const value = readFigure(text, unit)
    return value === null ? { says: `"${text}" is no figure${unit === '' ? '' : ` in ${unit}`}.` } : { value }
  })
}

/** What a circuit is for. */
export const sort = cell<SignalSort>(sortText, (text) => {
  const read = readSort(text)
  return read.ok ? { value: read.value } : { says: read.problems[0].message }
})

/** One sentence a line. */
export const sentences = cell<string[]>(
  (value) => value.join('\n'),
  (text) => ({
    value: text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== ''),
  }),
)

/** Figures by blanks or commas followed by one. */
export const figures = cell<number[]>(
  (value) => value.join(' '),
  (text) => {
    const words = text.split(/[\s;]+/).map((word) => word.replace(/,$/, ''))
    const values = words.filter((word) => word !== '').map((word) => readFigure(word))
    const wrong = values.indexOf(null)
    return wrong >= 0
      ? { says: `"${words[wrong]}" is no figure. Write them one after the other, with blanks.` }
      : { value: values }
  },
)

/** Rows of figures, one a line. */
export const table = cell<number[][]>(
  (value) => value.map((row) => row.join(' ')).join('\n'),
  (text) => {
    const rows: unknown[] = []
    for (const line of text.split('\n').filter((one) => one.trim() !== '')) {
      const read = figures.read(line)
      if ('says' in read) return read
      rows.push(read.value)
    }
    return { value: rows }
  },
)

/** Ends of a loom by their tags. */
export function tags(kit: Kit): Cell {
  return cell<string[]>(
    (value) => value.map((id) => kit.ends.find((end) => end.id === id)?.tag ?? id).join(', '),
    (text) => {
      const words = text.split(/[,;\s]+/).filter((word) => word !== '')
      const found = words.map((word) => endTagged(kit, word))
      const wrong = found.indexOf(undefined)
      return wrong >= 0 ? { says: noEnd(kit, words[wrong]) } : { value: found }
    },
  )
}

/** One end by its tag. */
export function tag(kit: Kit): Cell {
  return cell<string>(
    (value) => kit.ends.find((end) => end.id === value)?.tag ?? value,
    (text) => {
      const found = endTagged(kit, text.trim())
      return found === undefined ? { says: noEnd(kit, text.trim()) } : { value: found }
    },
  )
}

function endTagged(kit: Kit, word: string) {
  return kit.ends.find((end) => end.tag.toLowerCase() === word.toLowerCase() || end.id === word)?.id
}

function noEnd(kit: Kit, word: string): string {
  return `"${word}" is the tag of no end. There are: ${kit.ends.map((end) => end.tag).join(', ') || 'none yet'}.`
}

/** Sockets by name, separated by semicolons. */
export function sockets(kit: Kit): Cell {
  return cell<KitPlaceId[]>(
    (value) => value.map((id) => socketName(kit, id)).join('; '),
    (text) => {
      const words = text
        .split(';')
        .map((word) => word.trim())
        .filter((word) => word !== '')
      const found = words.map((word) => socketNamed(kit, word))
      const wrong = found.indexOf(undefined)
      return wrong >= 0 ? { says: noSocket(kit, words[wrong]) } : { value: found }
    },
  )
}

/** One of them. */
export function socket(kit: Kit): Cell {
  return cell<KitPlaceId>(
    (value) => socketName(kit, value),
    (text) => {
      const found = socketNamed(kit, text.trim())
      return found === undefined ? { says: noSocket(kit, text.trim()) } : { value: found }
    },
  )
}

const socketName = (kit: Kit, id: KitPlaceId) => kit.sockets?.find((one) => one.id === id)?.name ?? id
const socketNamed = (kit: Kit, word: string) =>
  kit.sockets?.find((one) => one.name.toLowerCase() === word.toLowerCase() || one.id === word)?.id
const noSocket = (kit: Kit, word: string) =>
  `"${word}" is no socket of this kit. There are: ${kit.sockets?.map((one) => one.name).join('; ') || 'none yet'}.`
