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
  const index = machineIndex(machine)
  const wanted = wordsOf(query).map(wantedOf)
  const found: (WireFound & { rank: number })[] = []
  for (const plug of machine.connectors)
    for (const { cavity, wire } of index.wiresOf.get(plug.id) ?? []) {
      const net = index.nets.get(wire.net)
      const name = net?.name ?? wire.net
      const hay = joinUnits(
        `${plug.name} ${plug.device} ${plug.place} ${name} ${net?.signal ?? ''} ${net?.role ?? ''} ${wire.areaMm2} mm² ${wireName(wire.colour)} ${wireShort(wire.colour)}`,
      )
      let rank = 0
      for (const want of wanted) rank += want({ hay, cavity, colour: wire.colour, areaMm2: wire.areaMm2 })
      if (!Number.isFinite(rank)) continue
      found.push({ connector: plug.id, connectorName: plug.name, cavity, net: name, wire: wireName(wire.colour), rank })
    }
  return found
    .sort((a, b) => a.rank - b.rank)
    .slice(0, limit)
    .map(({ rank: _rank, ...wire }) => wire)
}

interface Hay {
  hay: string
  cavity: number
  colour: WireColour
  areaMm2: number
}
/** How far off a wire is: 0 as asked, infinite where it is another. */
type Want = (of: Hay) => number

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
  const colours = coloursIn(word)
  const figure = /^(\d+(?:\.\d+)?)(?:mm²)?$/.exec(word)?.[1]
  const alone = figure === undefined ? null : new RegExp(`(?<![\\d.])${figure.replace('.', '\\.')}(?![\\d.])`)
  return ({ hay, cavity, colour, areaMm2 }) => {
    if (colours.length > 0) {
      const nearest = Math.min(...colours.map((wanted) => colourOff(wanted, colour)))
      if (Number.isFinite(nearest)) return nearest
    }
    if (!alone) return hay.includes(word) ? 0 : Infinity
    const value = Number(figure)
    return value === cavity || value === areaMm2 || alone.test(hay) ? 0 : Infinity
  }
}

/** A lone colour may be the stripe as well, and two may stand the other way round; as asked comes first. */
function colourOff({ base, stripe }: WireColour, colour: WireColour): number {
  if (stripe === undefined) return colour.base === base ? 0 : colour.stripe === base ? 1 : Infinity
  if (colour.base === base && colour.stripe === stripe) return 0
  return colour.base === stripe && colour.stripe === base ? 1 : Infinity
}
