import { gridCavities, type FaceLayout } from '../gridCavities.ts'
import { readWireColour } from '../readWireColour.ts'
import { keys, lockKinds, outlines, type Cavity, type Lock, type Shell, type WireColour } from '../model.ts'
import { readAccessSheet, type AccessSheet } from './accessSheet.ts'
import { meterStates, signalKinds, signalRoles, type MeterReading, type SignalSort } from '../signals.ts'
import { readRouteSheet, type RouteSheet } from './routeSheet.ts'
import { fields, linesOf, oneOf } from './sheetLines.ts'
import { colourNames } from '../colours.ts'
import type { Connector, Machine, Net, Stud, Wire, WirePlace, Zone } from './written.ts'

/**
 * A machine as its loom is written down in the yard: circuits, plugs with the circuit of every cavity, studs, zones.
 * Every wire follows: two places of a circuit are one wire, more meet in a splice.
 */
export interface MachineSheet {
  /** `id | name | conditions [air °C]` */
  zones: string
  /** `id | name | signal role [c1] [upper] [t1] | colour area | options`; `*` before the id: runs to the ECU, `*b` to its second plug. */
  nets: string
  /** `id | name | device | zone | place | shell | lock | cavities` */
  plugs: string
  /** `id | name | net | zone | place | thread, mm` */
  studs: string
  access: AccessSheet
  routes: RouteSheet
}

export type SheetParts = Pick<Machine, 'zones' | 'nets' | 'connectors' | 'wires' | 'studs'> &
  Required<Pick<Machine, 'covers' | 'places' | 'ways' | 'spots' | 'passages' | 'power' | 'body'>> &
  Pick<Machine, 'steering'>

/** Reads a sheet. @throws with the line that cannot be read; the result is still to be checked as a document. */
export function readMachineSheet(sheet: MachineSheet): SheetParts {
  const nets = linesOf(sheet.nets).map(readNet)
  const places = new Map<string, Place[]>()
  const at = (net: string, place: Place) => {
    if (!nets.some((item) => item.net.id === net)) throw new Error(`sheet: no circuit "${net}"`)
    places.set(net, [...(places.get(net) ?? []), place])
  }
  const studs = linesOf(sheet.studs).map((line): Stud => {
    const [id, name, net, zone, place, thread] = fields(line, 6)
    at(net, { stud: id })
    return { id, name, net, zone, place, threadMm: Number(thread) }
  })
  const connectors = linesOf(sheet.plugs).map((line) => readPlug(line, nets, at))
  const { at: middles, ...access } = readAccessSheet(sheet.access)
  const { places: figures, spots, ...routes } = readRouteSheet(sheet.routes)
  const ids = new Set([...connectors, ...studs, ...access.places].map((item) => item.id))
  return {
    ...access,
    ...routes,
    places: access.places.map((place) => ({ ...place, ...figures.get(place.id) })),
    spots: spots.map((spot) => ({
      ...spot,
      serves: spot.serves.filter((served) => ids.has(Object.values(served)[0])),
    })),
    zones: linesOf(sheet.zones).map((line) => {
      const zone = readZone(line)
      const middle = middles.get(zone.id)
      return middle ? { ...zone, at: middle } : zone
    }),
    nets: nets.map((item) => withSource(item, places.get(item.net.id) ?? [])),
    connectors,
    wires: nets.flatMap((item) => wiresOf(item, places.get(item.net.id) ?? [])),
    studs,
  }
}

interface Place {
  connector?: string
  cavity?: number
  stud?: string
  colour?: WireColour
  areaMm2?: number
}

interface SheetNet {
  net: Net
  colour: WireColour
  areaMm2: number
  ecu: string | null
  /** Plug it comes from, where that cannot be told by what is on it. */
  source: string | undefined
}

export function sheetColour(text: string, line: string): WireColour {
  const reading = readWireColour(text)
  if (reading.kind !== 'read') throw new Error(`sheet: ${reading.message} In "${line}"`)
  return reading.colour
}

/** `signal role c1 upper t2` */
export function readSort(text: string, line: string): SignalSort {
  const [signal, role, ...more] = text.split(/[\s:]+/)
  const sort: SignalSort = { signal: oneOf(signalKinds, signal, line), role: oneOf(signalRoles, role, line) }
  for (const word of more) {
    if (/^c\d+$/.test(word)) sort.cylinder = Number(word.slice(1))
    else if (word === 'upper' || word === 'lower') sort.row = word
    else if (word === 't1') sort.track = 1
    else if (word === 't2') sort.track = 2
    else throw new Error(`sheet: "${word}" is not understood in "${line}"`)
  }
  return sort
}

function readZone(line: string): Zone {
  const [id, name, conditions] = fields(line, 3)
  const known = ['hot', 'wet', 'vibration', 'dry'] as const
  const [, words, airC] = /^(.*?)(?: air (\d+))?$/.exec(conditions) ?? []
  return {
    id,
    name,
    conditions: (words ?? '').split(/\s+/).map((word) => oneOf(known, word, line)),
    ...(airC ? { airC: Number(airC) } : {}),
  }
}

function readNet(line: string): SheetNet {
  const [head, name, sort, wire, options] = fields(line, 5)
  const ecu = head.startsWith('*') ? (/^\*([a-z])\s/.exec(head)?.[1] ?? 'a') : null
  const netId = head.replace(/^\*([a-z]\s+)?/, '').trim()
  if (netId === '') throw new Error(`sheet: no id in "${line}"`)
  const [colour, area] = wire.split(/\s+/)
  const net: Net = { id: netId, name, ...readSort(sort, line) }
  const readings: MeterReading[] = []
  let source: string | undefined
  for (const option of options.split(',').map((part) => part.trim())) {
    if (option === '') continue
    const spare = /^spare ([\d.]+)$/.exec(option)
    const from = /^from ([a-z0-9-]+)$/.exec(option)
    const reads = /^reads (V AC|V|ohm|Hz) ([\d.]+)\.\.([\d.]+) (.+)$/.exec(option)
    if (spare) net.spareA = Number(spare[1])
    else if (from) source = from[1]
    else if (option === 'electronic') net.electronic = true
    else if (option === 'high voltage') net.highVoltage = true
    else if (reads)
      readings.push({
        state: oneOf(meterStates, reads[4].replaceAll(';', ','), line),
        unit: oneOf(['V', 'V AC', 'ohm', 'Hz'] as const, reads[1], line),
        low: Number(reads[2]),
        high: Number(reads[3]),
      })
    else throw new Error(`sheet: option "${option}" is not understood in "${line}"`)
  }
  if (readings.length > 0) net.readings = readings
  return { net, colour: sheetColour(colour, line), areaMm2: Number(area), ecu, source }
}

/** A circuit that says which plug it comes from, with that plug's cavity. */
function withSource({ net, source }: SheetNet, places: readonly Place[]): Net {
  if (source === undefined) return net
  const place = places.find(({ connector }) => connector === source)
  if (!place) throw new Error(`sheet: circuit "${net.id}" does not come to plug "${source}"`)
  return { ...net, source: { connector: source, cavity: place.cavity ?? 0 } }
}

/** `sealed black oval two-ribs [male]` */
export function readShell(text: string, pins: number, line: string): { shell: Shell; gender: 'female' | 'male' } {
  const words = text.split(/\s+/).map((word) => word.replaceAll('-', ' '))
  const gender = words.at(-1) === 'male' ? 'male' : 'female'
  const [family, colour, outline, key] = words
  return {
    gender,
    shell: {
      family: `${family} ${pinWord(pins)}-way`,
      colour: oneOf(colourNames, colour, line),
      outline: outline === 'd shape' ? 'd-shape' : oneOf(outlines, outline, line),
      key: oneOf(keys, key, line),
    },
  }
}

function pinWord(pins: number): string {
  return (
    ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'][pins] ??
    String(pins)
  )
}

const opening: Record<Lock['kind'], (colour: string) => string> = {
  'thumb tab': () => 'Press the tab down with the thumb and pull on the plug, never on the wires.',
  'slide then press': (colour) => `Lift the ${colour}lock first, then press the tab under it and pull on the plug.`,
  squeeze: () => 'Squeeze both sides and pull straight off.',
  tang: () => 'Lift the tang with a small flat screwdriver, only as far as it gives, and pull.',
  bayonet: () => 'Turn the ring a quarter to the left and pull straight off.',
  lever: (colour) => `Pull the ${colour}lever all the way over; the plug walks out by itself.`,
  none: () => 'No lock: pull straight off on the plug.',
}

function readLock(text: string, line: string): Lock {
  const found = lockKinds.find((kind) => text.startsWith(kind))
  if (!found) throw new Error(`sheet: lock "${text}" is not understood in "${line}"`)
  const colour = text.slice(found.length).trim()
  return {
    kind: found,
    ...(colour === '' ? {} : { colour: oneOf(colourNames, colour, line) }),
    opens: opening[found](colour === '' ? '' : `${colour} `),
  }
}

/** `[2 rows] ref5 tps@gy/vi sgnd - .`; `-` is blank, `.` empty; `ecu a 60 in 3` fills with the circuits that run there; `> plug` is mated to another loom. */
function readPlug(line: string, nets: readonly SheetNet[], at: (net: string, place: Place) => void): Connector {
  const [id, name, device, zone, place, shellText, lock, whole] = fields(line, 8)
  const [cells, mates] = whole.split(' > ')
  const control = /^ecu ([a-z]) (\d+) in (\d+)$/.exec(cells)
  const layout = /^\[(?:(\d+) )?(rows|staggered|round)\]\s*/.exec(cells)
  const starred = control
    ? nets.filter((item) => item.ecu === control[1]).map((item) => item.net.id)
    : cells.replace(/^\[[^\]]*\]\s*/, '').split(/\s+/)
  const count = control ? Number(control[2]) : starred.length
  if (starred.length > count) throw new Error(`sheet: ${starred.length} circuits do not fit into "${line}"`)
  const rows = control ? Number(control[3]) : Number(layout?.[1] ?? 1)
  const forms: Record<string, FaceLayout> = { staggered: 'staggered', round: 'round' }
  const cavities: Cavity[] = gridCavities(count, rows, forms[layout?.[2] ?? ''] ?? 'grid')
  cavities.forEach((cavity, i) => {
    const cell = starred[i] ?? '-'
    if (cell === '-') cavity.blank = true
    else if (cell.startsWith('.')) {
      if (cell.length > 1) cavity.spare = oneOf(signalRoles, cell.slice(1), line)
    } else {
      const [net, override] = cell.split('@')
      const [colour, area] = (override ?? '').split(':')
      at(net, {
        connector: id,
        cavity: cavity.number,
        ...(colour ? { colour: sheetColour(colour, line) } : {}),
        ...(area ? { areaMm2: Number(area) } : {}),
      })
    }
  })
  const pins = cavities.filter((cavity) => !cavity.blank).length
  const connector: Connector = {
    id,
    name,
    device,
    zone,
    place,
    ...readShell(shellText, control ? count : pins, line),
    cavities,
    lock: readLock(lock, line),
  }
  return { ...connector, ...(control ? { ecu: true } : {}), ...(mates ? { mates } : {}) }
}

/** A direct wire between two places, a splice for more. */
function wiresOf({ net, colour, areaMm2 }: SheetNet, places: readonly Place[]): Wire[] {
  if (places.length < 2) throw new Error(`sheet: circuit "${net.id}" has ${places.length} places; a wire needs two`)
  const wire = (from: Place, to: WirePlace, changed: Place): Wire => ({
    id: `${net.id}.${placeWord(from)}`.replaceAll('.', '-').slice(0, 64),
    net: net.id,
    from: wirePlace(from),
    to,
    colour: changed.colour ?? colour,
    areaMm2: changed.areaMm2 ?? areaMm2,
  })
  if (places.length === 2) {
    const [a, b] = places
    return [wire(a, wirePlace(b), a.colour || a.areaMm2 ? a : b)]
  }
  return places.map((place) => wire(place, { splice: `${net.id}-splice`.slice(0, 64) }, place))
}

function placeWord(place: Place): string {
  return place.stud ?? `${place.connector}-${place.cavity}`
}

function wirePlace(place: Place): WirePlace {
  if (place.stud !== undefined) return { stud: place.stud }
  return { connector: place.connector ?? '', cavity: place.cavity ?? 0 }
}
