import { cells, type Cell } from '../dossier-files/index.ts'
import { readArea, type Kit, type SignalSort } from '../dossiers/index.ts'
import { inUnit } from '../instruments/index.ts'
import { readFigure, readMm } from '../shared/index.ts'
import { readSort, sortText } from './sortWords.ts'

const { cell } = cells

/** Longer than any loom or machine, mm. */
const longestMm = 10_000

/** Metres in the document, typed in mm; "m", "cm" and inches behind the figure are read as well. */
export const millimetres = cell<number>(
  (value) => String(Math.round(value * 1e6) / 1e3),
  (text) => {
    const mm = readMm(text)
    return mm === null || mm < 0 || mm > longestMm
      ? { says: `"${text}" is no length. Write it in mm, from 0 to ${longestMm}.` }
      : { value: Math.round(mm * 1e3) / 1e6 }
  },
)
/** Metres in the document, typed in mm either way. */
export const shift = cell<number>(
  (value) => String(Math.round(value * 1e6) / 1e3),
  (text) => {
    const mm = readMm(text)
    return mm === null ? { says: `"${text}" is no distance in mm.` } : { value: Math.round(mm * 1e3) / 1e6 }
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
    const value = readFigure(text, unit) ?? inOtherUnit(text, unit)
    return value === null ? { says: `"${text}" is no figure${unit === '' ? '' : ` in ${unit}`}.` } : { value }
  })
}

/** A figure with another unit of its kind behind it: `180 °F` for °C, `14 psi` for kPa. */
function inOtherUnit(text: string, unit: string): number | null {
  const [, figure = '', other = ''] = /^([+\-−–]?[\d.,]+)\s*(\S+)$/.exec(text.trim()) ?? []
  const value = other === '' || unit === '' ? null : readFigure(figure)
  const made = value === null ? null : inUnit(value, other, unit)
  return made === null ? null : Math.round(made * 1e4) / 1e4
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
    const words = text
      .split(/[\s;]+/)
      .map((word) => word.replace(/,$/, ''))
      .filter((word) => word !== '')
    const values = words.map((word) => readFigure(word))
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

const idWord = /^[a-z0-9]+(-[a-z0-9]+)*$/

/** Things of other kits by their ids, `learner-kit: bus-in`, separated by semicolons. @param of what they are: an end, a setting */
export function ofOtherKits(of: 'end' | 'setting'): Cell {
  return cell<{ kit: string; end?: string; setting?: string }[]>(
    (value) => value.map((one) => `${one.kit}: ${one[of] ?? ''}`).join('; '),
    (text) => {
      const made: object[] = []
      for (const word of text.split(';').map((one) => one.trim())) {
        if (word === '') continue
        const [kit = '', id = '', ...more] = word.split(':').map((one) => one.trim())
        if (![kit, id].every((one) => idWord.test(one)) || more.length > 0)
          return { says: `"${word}" is no ${of} of a kit. Write the kit and its ${of} by their ids: kit: ${of}.` }
        made.push({ kit, [of]: id })
      }
      return { value: made }
    },
  )
}

/** How things of a kit are called, for cells that name them. */
interface Names {
  nameOf: (id: string) => string
  find: (word: string) => string | undefined
  /** What is said of a word that names none. */
  none: (word: string) => string
}

/** One of them. */
function oneOf({ nameOf, find, none }: Names): Cell {
  return cell<string>(nameOf, (text) => {
    const found = find(text.trim())
    return found === undefined ? { says: none(text.trim()) } : { value: found }
  })
}

/** Several of them. */
function severalOf({ nameOf, find, none }: Names, between: RegExp, joint: string): Cell {
  return cell<string[]>(
    (value) => value.map(nameOf).join(joint),
    (text) => {
      const words = text
        .split(between)
        .map((word) => word.trim())
        .filter((word) => word !== '')
      const found = words.map(find)
      const wrong = found.indexOf(undefined)
      return wrong >= 0 ? { says: none(words[wrong]) } : { value: found }
    },
  )
}

const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase()

function endNames({ ends }: Kit): Names {
  return {
    nameOf: (id) => ends.find((end) => end.id === id)?.tag ?? id,
    find: (word) => ends.find((end) => same(end.tag, word) || end.id === word)?.id,
    none: (word) =>
      `"${word}" is the tag of no end. There are: ${ends.map((end) => end.tag).join(', ') || 'none yet'}.`,
  }
}

function socketNames({ sockets: known = [] }: Kit): Names {
  return {
    nameOf: (id) => known.find((one) => one.id === id)?.name ?? id,
    find: (word) => known.find((one) => same(one.name, word) || one.id === word)?.id,
    none: (word) =>
      `"${word}" is no socket of this kit. There are: ${known.map((one) => one.name).join('; ') || 'none yet'}.`,
  }
}

/** Ends of a loom by their tags, or one of them. */
export const tags = (kit: Kit): Cell => severalOf(endNames(kit), /[,;\s]+/, ', ')
export const tag = (kit: Kit): Cell => oneOf(endNames(kit))
/** Sockets by name, separated by semicolons, or one of them. */
export const sockets = (kit: Kit): Cell => severalOf(socketNames(kit), /;/, '; ')
export const socket = (kit: Kit): Cell => oneOf(socketNames(kit))
