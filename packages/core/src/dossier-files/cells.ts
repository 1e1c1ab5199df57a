import {
  fastenerWords,
  gridCavities,
  hazardsText,
  minutesText,
  readFasteners,
  readHazards,
  readMinutes,
  readWireColour,
  wireShort,
  type Cavity,
  type FaceLayout,
  type Fastener,
  type Hazard,
  type MeterReading,
  type Minutes,
  type WireColour,
} from '../dossiers/index.ts'
import { sameValue, type Outcome } from '../shared/index.ts'

/** What a cell says: a value of a document, or a sentence why it says none. */
export type CellReading<T = unknown> = { value: T } | { says: string }

/** How one field of an item stands in a cell of a table. Reading what was written gives the same value. */
export interface Cell {
  /** @param value of a document that fits its schema */
  write: (value: unknown) => string
  /** @param text not empty */
  read: (text: string) => CellReading
}

/** Longer than anything anybody writes into a cell, signs; what is longer is not looked at. */
const longestCell = 40_000

/** What a cell says; one that is too long says nothing. */
export function readCell({ read }: Cell, text: string): CellReading {
  return text.length <= longestCell
    ? read(text)
    : { says: `There are ${text.length} signs in one cell, more than anybody writes: is a quote missing?` }
}

/** A value that the schema has let through is what its cell was made for. */
export function cell<T>(write: (value: T) => string, read: (text: string) => CellReading): Cell {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the schema has let it through
  return { write: (value) => write(value as T), read }
}

const list = (text: string) => text.split(/\s+/).filter((word) => word !== '')

/** Nothing in a list that may also be missing altogether. */
const none = 'none'

export const text = cell<string>(
  (value) => value,
  (value) => ({ value }),
)

const figure = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i

function readNumber(word: string): CellReading<number> {
  return figure.test(word.trim())
    ? { value: Number(word.trim().replace(',', '.')) }
    : { says: `"${word}" is no number.` }
}

export const number = cell<number>(String, readNumber)

/** Several figures: `120 90 45`. */
export const numbers = cell<number[]>(
  (value) => value.join(' '),
  (value) => all(list(value).map(readNumber)),
)

function all<T>(readings: readonly CellReading<T>[]): CellReading<T[]> {
  const values: T[] = []
  for (const reading of readings) {
    if ('says' in reading) return reading
    values.push(reading.value)
  }
  return { value: values }
}

export const flag = cell<boolean>(
  (value) => (value ? 'yes' : 'no'),
  (value) => {
    const word = value.trim().toLowerCase()
    if (['yes', 'true', 'x', '1'].includes(word)) return { value: true }
    if (['no', 'false', '0'].includes(word)) return { value: false }
    return { says: `"${value}" is neither yes nor no.` }
  },
)

/** Ids, by spaces. */
export const idList = cell<string[]>(
  (value) => value.join(' ') || none,
  (value) => ({ value: value.trim() === none ? [] : list(value) }),
)

/** A text the reader gets back as it was, or else the value as JSON. */
function orJson<T>(write: (value: T) => string, read: (text: string) => CellReading): Cell {
  return cell<T>(
    (value) => {
      const plain = write(value)
      const back = plain === '' || plain.startsWith('[') ? null : read(plain)
      return back && 'value' in back && sameValue(back.value, value) ? plain : JSON.stringify(value)
    },
    (value) => {
      if (!value.trimStart().startsWith('[')) return read(value)
      try {
        const parsed: unknown = JSON.parse(value)
        return { value: parsed }
      } catch {
        return { says: `"${value.slice(0, 60)}" begins like a JSON list and is none.` }
      }
    },
  )
}

/** Words, by semicolons. */
export const wordList = orJson<string[]>(
  (value) => value.join('; ') || none,
  (value) => ({
    value:
      value.trim() === none
        ? []
        : value
            .split(';')
            .map((word) => word.trim())
            .filter((word) => word !== ''),
  }),
)

/** What an outcome says about a cell. */
function ofOutcome(outcome: Outcome<unknown>): CellReading {
  return outcome.ok ? { value: outcome.value } : { says: outcome.problems.map(({ message }) => message).join(' ') }
}

/** One figure, or three as best/likely/worst. */
export const minutes = cell<Minutes>(minutesText, (value) => ofOutcome(readMinutes(value)))

export const fasteners = orJson<Fastener[]>(
  (value) => value.map(fastenerWords).join('; ') || none,
  (value) => (value.trim() === none ? { value: [] } : ofOutcome(readFasteners(value))),
)

export const hazards = orJson<Hazard[]>(
  (value) => hazardsText(value) || none,
  (value) => (value.trim() === none ? { value: [] } : ofOutcome(readHazards(value))),
)

/** Base and stripe as people write them; written out in English, base first. */
export const wireColour = cell<WireColour>(wireShort, (value) => {
  const reading = readWireColour(value)
  return reading.kind === 'read' ? { value: reading.colour } : { says: reading.message }
})

const readingForm = /^\s*(.+?):\s*([+-]?[\d.,eE+-]+?)(?:\.\.([+-]?[\d.,eE+-]+))?\s*(V AC|V|ohm|Hz)\s*$/

/** What a meter shows: `key on: 4.9..5.1 V; battery off: 60 ohm`. */
export const readings = orJson<MeterReading[]>(
  (value) =>
    value
      .map(({ state, low, high, unit }) => `${state}: ${low}${low === high ? '' : `..${high}`} ${unit}`)
      .join('; ') || none,
  (value) => {
    if (value.trim() === none) return { value: [] }
    return all(
      value.split(';').map((part): CellReading => {
        const [, state, low, high, unit] = readingForm.exec(part) ?? []
        const bounds = all([readNumber(low ?? ''), readNumber(high ?? low ?? '')])
        if (state === undefined || 'says' in bounds)
          return {
            says: `"${part.trim()}" is no reading. Write the state, the figures and the unit: key on: 4.9..5.1 V`,
          }
        const [from, to] = bounds.value
        return { value: { state, low: from, high: to, unit } }
      }),
    )
  },
)

/** Things of a machine in words of their own kind: `plug:ecu`, `stud:engine`, `zone:bay`, `place:tail`. */
const kinds = { plug: 'connector', stud: 'stud', zone: 'zone', place: 'place', splice: 'splice' } as const
const kindOf = (word: string) => Object.entries(kinds).find(([name]) => name === word)?.[1]

type Thing = Record<string, string | number>

function thingText(value: Thing): string {
  const [name, key] = Object.entries(kinds).find(([, field]) => field in value) ?? ['', '']
  return `${name}:${value[key]}`
}

function readThing(word: string): CellReading {
  const [name = '', id = '', ...more] = word.trim().split(':')
  const key = kindOf(name)
  return key === undefined || id === '' || more.length > 0
    ? { says: `"${word}" names nothing. Write zone:, plug:, stud: or place: and its id.` }
    : { value: { [key]: id } }
}

export const thing = cell<Thing>(thingText, readThing)
export const things = cell<Thing[]>(
  (value) => value.map(thingText).join(' ') || none,
  (value) => (value.trim() === none ? { value: [] } : all(list(value).map(readThing))),
)

/** Where a wire ends: `injector-1:2` (a plug's cavity), `stud:engine`, `splice:feed`. */
export const wireEnd = cell<Thing>(
  (value) => {
    if (!('connector' in value)) return thingText(value)
    const bare = `${value.connector}:${value.cavity}`
    return kindOf(String(value.connector)) ? `plug:${bare}` : bare
  },
  (value) => {
    const words = value.trim().split(':')
    const [connector = '', cavity = ''] = words[0] === 'plug' ? words.slice(1) : words
    if (words[0] !== 'plug' && kindOf(words[0] ?? '')) return readThing(value)
    return /^\d+$/.test(cavity) && connector !== '' && words.length === (words[0] === 'plug' ? 3 : 2)
      ? { value: { connector, cavity: Number(cavity) } }
      : { says: `"${value}" is no end of a wire. Write plug and cavity as ecu:12, or stud:, splice: and its id.` }
  },
)

/** Points of a way: `1.2 0 0.8; 1.3 0.1 0.8`. */
export const points = cell<{ x: number; y: number; z: number }[]>(
  (value) => value.map(({ x, y, z }) => `${x} ${y} ${z}`).join('; ') || none,
  (value) => {
    if (value.trim() === none) return { value: [] }
    return all(
      value.split(';').map((point): CellReading => {
        const read = all(list(point).map(readNumber))
        const figures = 'value' in read ? read.value : []
        const [x, y, z] = figures
        return figures.length === 3
          ? { value: { x, y, z } }
          : { says: `"${point.trim()}" is no point: three figures, m.` }
      }),
    )
  },
)

const layouts: readonly FaceLayout[] = ['grid', 'staggered', 'round']
const faceForm = /^(\d+)(?: in (\d+))?( staggered| round)?$/

/** Cavities by their number and rows: `6 in 2`, `5 in 2 staggered`, `4 round`; then `blank 3 4`, `double 6`, `spare 5 reference-5v`. */
export const cavities = orJson<Cavity[]>(
  (value) => {
    const bare = value.map(({ number: at, x, y }) => ({ number: at, x, y }))
    for (const layout of layouts)
      for (let rows = 1; rows <= Math.min(8, value.length); rows++)
        if (sameValue(bare, gridCavities(value.length, rows, layout))) {
          const face = `${value.length}${layout === 'round' ? '' : ` in ${rows}`}${layout === 'grid' ? '' : ` ${layout}`}`
          const blank = value.filter((one) => one.blank).map((one) => one.number)
          const double = value.filter((one) => one.double).map((one) => one.number)
          return [
            face,
            ...(blank.length > 0 ? [`blank ${blank.join(' ')}`] : []),
            ...(double.length > 0 ? [`double ${double.join(' ')}`] : []),
            ...value.flatMap((one) => (one.spare ? [`spare ${one.number} ${one.spare}`] : [])),
          ].join('; ')
        }
    return ''
  },
  (value) => {
    const [face = '', ...more] = value.split(';').map((part) => part.trim())
    const [, count, rows, layout] = faceForm.exec(face) ?? []
    if (count === undefined || Number(count) < 1 || Number(count) > 160 || Number(rows ?? 1) < 1)
      return { says: `"${face}" is no face. Write cavities and rows as 6 in 2, or 4 round.` }
    const made: (Omit<Cavity, 'spare'> & { spare?: string })[] = gridCavities(
      Number(count),
      Number(rows ?? 1),
      layouts.find((one) => one === layout?.trim()),
    )
    for (const part of more) {
      const [what, ...words] = list(part)
      const marked = (words: readonly string[]) =>
        words.map((word) => made.findIndex((one) => one.number === Number(word)))
      const at = marked(what === 'spare' ? words.slice(0, 1) : words)
      if (!['blank', 'double', 'spare'].includes(what ?? '') || at.length === 0 || at.includes(-1))
        return { says: `"${part}": write blank 3 4, double 6, or spare 5 and what for, with cavities of this face.` }
      for (const i of at)
        made[i] = {
          ...made[i],
          ...(what === 'spare' ? { spare: words[1] } : { [what === 'blank' ? 'blank' : 'double']: true }),
        }
    }
    return { value: made }
  },
)

/** Cavities a device joins when it works, from and to: `1>2 3>4`. */
export const contacts = cell<[number, number][]>(
  (value) => value.map(([from, to]) => `${from}>${to}`).join(' ') || none,
  (value) =>
    value.trim() === none
      ? { value: [] }
      : all(
          list(value).map((word): CellReading => {
            const [, from, to] = /^(\d+)>(\d+)$/.exec(word) ?? []
            return from === undefined || to === undefined
              ? { says: `"${word}" is no contact. Write the cavities it joins as 1>2.` }
              : { value: [Number(from), Number(to)] }
          }),
        ),
)
