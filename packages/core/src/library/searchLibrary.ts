import {
  colourNames,
  wireName,
  wireShort,
  type ColourName,
  type ConnectorId,
  type Dossier,
  type Kit,
  type Machine,
} from '../dossiers/index.ts'
import {
  asSearched,
  bareOff,
  beginsWord,
  offOf,
  readWireQuery,
  wireRows,
  type Hay,
  type Want,
} from '../wiring/index.ts'

/** One thing of a dossier that answers a query. */
export interface LibraryHit {
  what: 'dossier' | 'plug' | 'wire' | 'end'
  /** As it is shown: "Throttle plug, cavity 2: Throttle position, grey with violet stripe". */
  says: string
  connector?: ConnectorId
  cavity?: number
}

/** A dossier with what of it answers a query, the best first. */
export interface LibraryFind {
  kind: Dossier['kind']
  id: string
  version: number
  name: string
  hits: LibraryHit[]
  /** How many answer altogether. */
  count: number
}

/** One thing that is searched through. */
interface Searched extends Hay {
  hit: () => LibraryHit
}

/** What of a dossier is searched through: its own words, which count for everything in it, and things. */
interface Shelf {
  name: string
  words: string
  about: string
  rows: readonly Searched[]
  /** The words of all rows, a line each, and where each line begins. */
  text: string
  starts: readonly number[]
  /** Base and stripe of each row by their number, 255 for none: one after the other. */
  colours: Uint8Array
}

const numbers = new Map<ColourName | undefined, number>(colourNames.map((name, i) => [name, i]))
const numberOf = (colour: ColourName | undefined) => numbers.get(colour) ?? 255

const shelved = new WeakMap<Dossier, Shelf>()

/** Made once of each: a document never changes. */
function shelfOf(dossier: Dossier): Shelf {
  const kept = shelved.get(dossier)
  if (kept) return kept
  const name = `${dossier.maker} ${dossier.model}`
  const about = dossier.kind === 'machine' ? `${dossier.class}, ${dossier.years}` : dossier.system
  const rows = dossier.kind === 'machine' ? machineRows(dossier) : kitRows(dossier)
  const starts: number[] = []
  let length = 0
  for (const { hay } of rows) {
    starts.push(length)
    length += hay.length + 1
  }
  const colours = new Uint8Array(rows.flatMap(({ colour }) => [numberOf(colour?.base), numberOf(colour?.stripe)]))
  const text = rows.map(({ hay }) => hay).join('\n')
  const made = { name, about, words: asSearched(`${name} ${about}`), rows, text, starts, colours }
  shelved.set(dossier, made)
  return made
}

function machineRows(machine: Machine): Searched[] {
  return [
    ...machine.connectors.map((plug): Searched => {
      const { family, colour, outline, key } = plug.shell
      const pins = plug.cavities.filter((cavity) => !cavity.blank).length
      return {
        hay: asSearched(`${plug.name} ${plug.device} ${plug.place} ${family} ${colour} ${outline} ${key} ${pins} pins`),
        hit: () => ({
          ...{ what: 'plug', connector: plug.id },
          says: `${plug.name}: ${pins} pins, ${colour}, ${outline}, ${key}`,
        }),
      }
    }),
    ...wireRows(machine).map((row): Searched => {
      const { hay, cavity, colour, areaMm2 } = row
      return {
        ...{ hay, cavity, colour, areaMm2 },
        hit: () => ({
          ...{ what: 'wire', connector: row.connector, cavity },
          says: `${row.connectorName}, cavity ${cavity}: ${row.net}, ${row.wire}`,
        }),
      }
    }),
  ]
}

function kitRows(kit: Kit): Searched[] {
  return kit.ends.map((end): Searched => {
    const colour = 'colour' in end ? end.colour : undefined
    const wants = 'wants' in end ? `${end.wants.role} ${end.wants.signal}` : ''
    return {
      hay: asSearched(`${end.tag} ${end.name} ${wants} ${colour ? `${wireName(colour)} ${wireShort(colour)}` : ''}`),
      ...(colour ? { colour } : {}),
      ...('areaMm2' in end ? { areaMm2: end.areaMm2 } : {}),
      hit: () => ({ what: 'end', says: `${end.tag}, ${end.name}${colour ? `: ${wireName(colour)}` : ''}` }),
    }
  })
}

/** A want that is a word alone, and is met where that stands. */
const isWord = ({ colours, figure }: Want): boolean => colours.length === 0 && figure === null

/**
 * The rows that may answer one want: where its word stands, and where a colour or figure of theirs is one it names.
 * @param begun gets 1 for rows that surely have it as they should: a word alone that a word of theirs begins with
 */
function rowsThatMay({ rows, text, starts, colours }: Shelf, want: Want, begun: Uint8Array): number[] {
  const may = new Uint8Array(rows.length)
  let row = 0
  for (let at = text.indexOf(want.word); at >= 0; at = text.indexOf(want.word, starts[row + 1] ?? text.length)) {
    while ((starts[row + 1] ?? Infinity) <= at) row++
    may[row] = 1
    if (at === starts[row] || text[at - 1] === ' ') begun[row] = 1
  }
  const found: number[] = []
  const wanted = new Uint8Array(256)
  for (const { base } of want.colours) wanted[numberOf(base)] = 1
  for (let i = 0; i < rows.length; i++) {
    const coloured = wanted[colours[2 * i]] === 1 || wanted[colours[2 * i + 1]] === 1
    if (may[i] === 1 || coloured || (want.figure !== null && bareOff(want, rows[i]) < Infinity)) found.push(i)
  }
  return found
}

/** Whether anything of a dossier may answer a want: one that is a word alone has to stand somewhere in it. */
function mayStandIn({ text }: Shelf, want: Want): boolean {
  return !isWord(want) || text.includes(want.word)
}

/** Dossiers that are looked through to tell rare words from common ones. */
const mostSampled = 30

/** How often the word of each want stands in some of the dossiers. */
function howCommon(dossiers: readonly Dossier[], wants: readonly Want[]): Map<Want, number> {
  const texts = dossiers.slice(0, mostSampled).map((dossier) => shelfOf(dossier).text)
  return new Map(
    wants.map((want) => [want, texts.reduce((count, text) => count + text.split(want.word).length - 1, 0)]),
  )
}

/** The want that fewest rows answer, by guess: a rare word rather than a common one, a word rather than a colour, a colour rather than a figure. */
function pivotOf(wants: readonly Want[], common: ReadonlyMap<Want, number>): Want {
  const weight = (want: Want) =>
    want.figure !== null ? 0 : want.colours.length > 0 ? 1 : 1 + 1 / (1 + (common.get(want) ?? 0))
  return wants.reduce((best, want) => (weight(want) > weight(best) ? want : best))
}

/** As many hits as are shown of one dossier. */
const mostHits = 6

/**
 * Everything of all dossiers that answers a query, by dossier: those that answer best first, then those with more that does, then by name.
 * Every word has to be met by one thing, or by the dossier it is in; an empty query finds nothing.
 * @param limit dossiers at most
 */
export function searchLibrary(dossiers: readonly Dossier[], query: string, limit = 40): LibraryFind[] {
  const wants = readWireQuery(query)
  if (wants.length === 0) return []
  const common = howCommon(dossiers, wants)
  const found: { dossier: Dossier; shelf: Shelf; met: number[]; offs: number[]; best: number }[] = []
  for (const dossier of dossiers) {
    const shelf = shelfOf(dossier)
    const rest = wants.filter((want) => !beginsWord(shelf.words, want.word))
    if (rest.length === 0) found.push({ dossier, shelf, met: [], offs: [], best: -1 })
    else if (rest.every((want) => mayStandIn(shelf, want))) {
      const met: number[] = []
      const offs: number[] = []
      let best = Infinity
      const pivot = pivotOf(rest, common)
      const others = isWord(pivot) ? rest.filter((want) => want !== pivot) : rest
      const begun = new Uint8Array(shelf.rows.length)
      for (const i of rowsThatMay(shelf, pivot, begun)) {
        const off = offOf(begun[i] === 1 ? others : rest, shelf.rows[i])
        if (off === Infinity) continue
        met.push(i)
        offs.push(off)
        best = Math.min(best, off)
      }
      if (met.length > 0) found.push({ dossier, shelf, met, offs, best })
    }
  }
  found.sort((a, b) => a.best - b.best || b.met.length - a.met.length || (a.shelf.name < b.shelf.name ? -1 : 1))
  return found.slice(0, limit).map(({ dossier: { kind, id, version }, shelf, met, offs }) => ({
    ...{ kind, id, version, name: shelf.name, count: Math.max(1, met.length) },
    hits:
      met.length === 0
        ? [{ what: 'dossier', says: shelf.about }]
        : met
            .map((row, i) => ({ row, off: offs[i] }))
            .sort((a, b) => a.off - b.off)
            .slice(0, mostHits)
            .map(({ row }) => shelf.rows[row].hit()),
  }))
}
