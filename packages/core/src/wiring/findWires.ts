import {
  machineIndex,
  readWireColour,
  wireName,
  wireShort,
  type ConnectorId,
  type Machine,
  type WireColour,
} from '../dossiers/index.ts'

export interface WireFound {
  connector: ConnectorId
  connectorName: string
  cavity: number
  net: string
  wire: string
}

/**
 * Any wire by colour (in any usual spelling, order and language), plug, cavity, cross-section or signal, in one line: "grey violet",
 * "gy/vi throttle", "crank 2", "5v", "0,75". Words that name a colour together are read as one wire, its own order first; every other word must
 * stand somewhere.
 */
export function findWires(machine: Machine, query: string, limit = 60): WireFound[] {
  const wants = readWireQuery(query)
  return wireRows(machine)
    .map((row) => ({ row, off: offOf(wants, row) }))
    .filter(({ off }) => Number.isFinite(off))
    .sort((a, b) => a.off - b.off)
    .slice(0, limit)
    .map(({ row: { connector, connectorName, cavity, net, wire } }) => ({
      connector,
      connectorName,
      cavity,
      net,
      wire,
    }))
}

/** A wire at one of its plugs, with the words it is found by. */
export type WireRow = WireFound & Hay

const known = new WeakMap<Machine, readonly WireRow[]>()

/** Every wire at every plug of a machine; made once, since a document never changes. */
export function wireRows(machine: Machine): readonly WireRow[] {
  const kept = known.get(machine)
  if (kept) return kept
  const index = machineIndex(machine)
  const rows = machine.connectors.flatMap((plug) =>
    (index.wiresOf.get(plug.id) ?? []).map(({ cavity, wire }): WireRow => {
      const net = index.nets.get(wire.net)
      const name = net?.name ?? wire.net
      return {
        ...{ connector: plug.id, connectorName: plug.name, cavity, net: name, wire: wireName(wire.colour) },
        ...{ colour: wire.colour, areaMm2: wire.areaMm2 },
        hay: joinUnits(
          `${plug.name} ${plug.device} ${plug.place} ${name} ${net?.signal ?? ''} ${net?.role ?? ''} ${wire.areaMm2} mm² ${wireName(wire.colour)} ${wireShort(wire.colour)}`,
        ),
      }
    }),
  )
  known.set(machine, rows)
  return rows
}

/** What a query asks for, word by word. */
export function readWireQuery(query: string): Want[] {
  return wordsOf(query).map(wantedOf)
}

/** How far off something is from all that is asked: 0 as asked, infinite where it is another. */
export function offOf(wants: readonly Want[], of: Hay): number {
  let off = 0
  for (const want of wants) {
    off += wantOff(want, of)
    if (off === Infinity) break
  }
  return off
}

/** Words as they are searched through. */
export function asSearched(text: string): string {
  return joinUnits(text)
}

/** What is searched through: words, and what of a wire is no word. */
export interface Hay {
  hay: string
  cavity?: number
  colour?: WireColour
  areaMm2?: number
}
/** What one word, or several that name a colour together, asks for. */
export interface Want {
  /** As it has to stand in the words. */
  word: string
  /** Colours it may name. */
  colours: readonly WireColour[]
  /** The figure it is: a cavity, a cross-section, or one that stands alone in the words. */
  figure: number | null
}

/** A figure and its unit are one word, however they are written: `5 V`, `5v`; decimals have a point. */
function joinUnits(text: string): string {
  return text
    .toLowerCase()
    .replaceAll(/(\d),(\d)/g, '$1.$2')
    .replaceAll('mm2', 'mm²')
    .replaceAll(/(\d)\s+(?=(?:v|a|hz|ohm|mm²)(?![a-z]))/g, '$1')
}

/** The longest runs that name a colour together, and single words. */
function wordsOf(query: string): string[] {
  const words = joinUnits(query)
    .split(/\s+/)
    .filter((word) => word !== '')
  const made: string[] = []
  for (let from = 0; from < words.length;) {
    let to = words.length
    while (to > from + 1 && coloursIn(words.slice(from, to).join(' ')).length === 0) to--
    made.push(words.slice(from, to).join(' '))
    from = to
  }
  return made
}

function coloursIn(text: string): WireColour[] {
  // A figure is none, whatever letter stands behind it.
  if (/\d/.test(text)) return []
  const reading = readWireColour(text)
  return reading.kind === 'read' ? [reading.colour] : reading.kind === 'doubtful' ? reading.choices : []
}

function wantedOf(word: string): Want {
  const figure = /^(\d+(?:\.\d+)?)(?:mm²)?$/.exec(word)?.[1]
  return { word: figure ?? word, colours: coloursIn(word), figure: figure === undefined ? null : Number(figure) }
}

/** A word that is found within another is a little off: the rail in a trail. */
const withinWord = 0.5

/** Whether a word of the hay begins with this one. */
export function beginsWord(hay: string, word: string): boolean {
  return hay.startsWith(word) || hay.includes(` ${word}`)
}

/** Whether a figure stands in the words as one of its own. */
function standsAlone(hay: string, figure: string): boolean {
  for (let at = hay.indexOf(figure); at >= 0; at = hay.indexOf(figure, at + 1))
    if (!/[\d.]/.test(hay[at - 1] ?? ' ') && !/[\d.]/.test(hay[at + figure.length] ?? ' ')) return true
  return false
}

/** The same by what is no word: the colour, or a figure that is the cavity or the cross-section. */
export function bareOff({ colours, figure }: Want, { cavity, colour, areaMm2 }: Hay): number {
  let nearest = figure !== null && (figure === cavity || figure === areaMm2) ? 0 : Infinity
  if (colour) for (const wanted of colours) nearest = Math.min(nearest, colourOff(wanted, colour))
  return nearest
}

/** How far off something is from one thing asked: 0 as asked, infinite where it is another. */
export function wantOff(want: Want, of: Hay): number {
  const bare = bareOff(want, of)
  if (bare < Infinity) return bare
  if (want.figure !== null) return standsAlone(of.hay, want.word) ? 0 : Infinity
  if (beginsWord(of.hay, want.word)) return 0
  return of.hay.includes(want.word) ? withinWord : Infinity
}

/** A lone colour may be the stripe as well, and two may stand the other way round; as asked comes first. */
function colourOff({ base, stripe }: WireColour, colour: WireColour): number {
  if (stripe === undefined) return colour.base === base ? 0 : colour.stripe === base ? 1 : Infinity
  if (colour.base === base && colour.stripe === stripe) return 0
  return colour.base === stripe && colour.stripe === base ? 1 : Infinity
}
