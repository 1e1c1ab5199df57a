import type { ConnectorId, MachineId, SpliceId, StudId, WireId } from './ids.ts'
import { asId, asWritten } from '../shared/index.ts'
import { wireName } from './colours.ts'
import { gridCavities, type FaceLayout } from './gridCavities.ts'
import { machineIndex } from './machineIndex.ts'
import { comesTo } from './sourceOf.ts'
import type { Connector, Machine, Net, Wire, WireColour, WirePlace } from './model.ts'

/** An id made of a name: small letters, digits, dashes; made unique among `taken`. */
export function idFrom<Id extends string>(name: string, taken: readonly string[]): Id {
  const base =
    name
      .toLowerCase()
      .normalize('NFD')
      .replaceAll(/\p{M}/gu, '')
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 56) || 'x'
  let free = base
  for (let n = 2; taken.includes(free); n++) free = `${base}-${n}`
  return asId(free)
}

/** A machine nobody has described yet: one zone, no plugs. */
export function blankMachine(id: MachineId, maker: string, model: string): Machine {
  return asWritten<Machine>({
    kind: 'machine',
    id,
    version: 1,
    draft: true,
    maker,
    model,
    class: 'machine',
    years: 'not known',
    source: 'Written down at the machine.',
    engine: { cylinders: 1, cooling: 'liquid', idleRpm: 1200, limiterRpm: 8000, fuel: 'petrol', stoichAfr: 14.6 },
    zones: [{ id: 'machine', name: 'Machine', conditions: ['wet'] }],
    connectors: [],
    nets: [],
    wires: [],
    studs: [],
    covers: [],
    places: [],
    ways: [],
    body: { form: 'motorcycle', lengthM: 2.1, widthM: 0.8, heightM: 1.2, wheelbaseM: 1.4, wheelM: 0.63 },
    steps: [
      {
        id: 'battery-off',
        station: 'make-safe',
        text: 'Battery negative off and covered.',
        power: 'off',
        caution: 'Battery short and hydrogen: no rings, no sparks.',
      },
      { id: 'battery-on', station: 'set-up', text: 'Every plug home: battery negative back on.', power: 'on' },
    ],
    filters: {
      coldBelowC: 70,
      crankingBelowRpm: 500,
      overrunThrottlePct: 1,
      throttleRatePctPerS: 40,
      afrRange: [9, 20],
    },
    cautions: [],
    variants: [],
  })
}

/** A copy under another name, to be varied. */
export function cloneMachine(machine: Machine, id: MachineId, model: string): Machine {
  return {
    ...structuredClone(machine),
    id,
    model,
    version: 1,
    draft: true,
    source: `Varied from ${machine.maker} ${machine.model}, version ${machine.version}.`,
  }
}

/** What a face is drawn from. */
export interface FaceSpec {
  name: string
  count: number
  rows: number
  layout: FaceLayout
}

export function newConnector(machine: Machine, { name, count, rows, layout }: FaceSpec): Connector {
  return {
    id: idFrom(
      name,
      machine.connectors.map((item) => item.id),
    ),
    name,
    device: name.replace(/\s*plug$/i, '') || name,
    zone: machine.zones[0]?.id ?? 'machine',
    place: 'place not written down',
    shell: {
      family: `${count}-way`,
      colour: 'black',
      outline: layout === 'round' ? 'round' : 'rectangle',
      key: 'none',
    },
    gender: 'female',
    cavities: gridCavities(count, rows, layout),
    lock: { kind: 'thumb tab', opens: 'Press the tab down with the thumb and pull on the plug, never on the wires.' },
  }
}

/** One line of the wire grid: what is in a cavity. `signal` is a circuit's name; '' leaves it unknown. */
export interface CavityEntry {
  cavity: number
  colour?: WireColour
  signal: string
  areaMm2?: number
}

/**
 * The machine with the wires of one plug as entered. A circuit is known by its name: the same name elsewhere is the same
 * circuit, joined in a splice; a name not known yet is a new circuit whose kind is still unknown. A cavity without a
 * colour is empty.
 */
export function withPinout(machine: Machine, connector: ConnectorId, entries: readonly CavityEntry[]): Machine {
  const nets = [...machine.nets]
  const places = placesByNet(machine, connector)
  const before = new Map((machineIndex(machine).wiresOf.get(connector) ?? []).map((item) => [item.cavity, item.wire]))
  for (const entry of entries) {
    if (!entry.colour) continue
    const name = entry.signal.trim()
    const known =
      name === ''
        ? nets.find((net) => net.id === before.get(entry.cavity)?.net)
        : netNamed(nets, places, name, entry.colour)
    const apart = name !== '' && nets.some((net) => same(net.name, name))
    const net: Net = known ?? {
      id: idFrom(
        name === '' ? `${connector}-${entry.cavity}` : name,
        nets.map((item) => item.id),
      ),
      name:
        name === ''
          ? `${nameOf(machine, connector)} ${entry.cavity}`
          : apart
            ? `${name}, ${wireName(entry.colour)}`
            : name,
      signal: 'unknown',
      role: 'unknown',
    }
    if (!known) nets.push(net)
    const list = places.get(net.id) ?? []
    list.push({
      place: { connector, cavity: entry.cavity },
      colour: entry.colour,
      areaMm2: entry.areaMm2 ?? before.get(entry.cavity)?.areaMm2 ?? 0.5,
    })
    places.set(net.id, list)
  }
  const known = placesByNet(machine, null)
  const wires = nets.flatMap((net) => {
    const now = places.get(net.id) ?? []
    return samePlaces(known.get(net.id) ?? [], now)
      ? machine.wires.filter((wire) => wire.net === net.id)
      : wiresFor(net, now)
  })
  const used = new Set([...wires.map((wire) => wire.net), ...machine.studs.map((stud) => stud.net)])
  return withoutStaleSources({ ...machine, nets: nets.filter((net) => used.has(net.id)), wires })
}

/** The machine without a stud; if it was a battery post, it is none any more. */
export function withoutStud(machine: Machine, stud: StudId): Machine {
  return withoutStaleSources({
    ...machine,
    studs: machine.studs.filter((item) => item.id !== stud),
    ...(machine.batteries ? { batteries: machine.batteries.filter((id) => id !== stud) } : {}),
  })
}

/** A circuit that does not come to its stated source any more is found by its plugs again. */
function withoutStaleSources(machine: Machine): Machine {
  const stale = ({ id, source }: Net) => source !== undefined && !comesTo(machine, id, source)
  if (!machine.nets.some(stale)) return machine
  return {
    ...machine,
    nets: machine.nets.map((net) => {
      if (!stale(net)) return net
      const { source: _stale, ...kept } = net
      return kept
    }),
  }
}

/** Names of which every device has a wire of its own, in the languages sheets come in. */
const onePerDevice = /inj|einspritz|d[üu]se|coil|z[üu]ndspule|bobin/i

/**
 * The circuit a name means at this wire. Injectors and coils that share a name and not a colour are one circuit each: their drives are
 * never one wire, and joined they would be taken for one.
 */
function netNamed(
  nets: readonly Net[],
  places: ReadonlyMap<string, readonly EditedPlace[]>,
  name: string,
  colour: WireColour,
): Net | undefined {
  const named = nets.filter((net) => same(net.name, name) || same(net.name, `${name}, ${wireName(colour)}`))
  const first = named.at(0)
  if (!first) return undefined
  const drive = first.signal === 'unknown' ? onePerDevice.test(name) : first.signal.endsWith('-drive')
  if (!drive) return first
  return named.find((net) => {
    const known = places.get(net.id) ?? []
    return known.length === 0 || known.some((place) => sameColour(place.colour, colour))
  })
}

function sameColour(a: WireColour, b: WireColour): boolean {
  return a.base === b.base && a.stripe === b.stripe
}

interface EditedPlace {
  place: Exclude<WirePlace, { splice: SpliceId }>
  colour: WireColour
  areaMm2: number
}

function same(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase()
}

function nameOf(machine: Machine, connector: ConnectorId): string {
  return machine.connectors.find((item) => item.id === connector)?.name ?? connector
}

/** A circuit nothing was changed on keeps its wires as they are, so that versions compare line by line. */
function samePlaces(before: readonly EditedPlace[], now: readonly EditedPlace[]): boolean {
  const words = (list: readonly EditedPlace[]) =>
    list
      .map((item) => JSON.stringify(item))
      .sort()
      .join()
  return before.length > 0 && words(before) === words(now)
}

/** Where each circuit surfaces, without the plug in hand. */
function placesByNet(machine: Machine, without: string | null): Map<string, EditedPlace[]> {
  const places = new Map<string, EditedPlace[]>()
  for (const wire of machine.wires)
    for (const place of [wire.from, wire.to]) {
      if ('splice' in place || ('connector' in place && place.connector === without)) continue
      places.set(wire.net, [...(places.get(wire.net) ?? []), { place, colour: wire.colour, areaMm2: wire.areaMm2 }])
    }
  return places
}

/** A lone end is kept as a wire into a splice whose other side is not known yet: a gap, not a loss. */
function wiresFor(net: Net, places: readonly EditedPlace[]): Wire[] {
  const word = ({ place }: EditedPlace) => ('stud' in place ? place.stud : `${place.connector}-${place.cavity}`)
  const id = (item: EditedPlace) => asId<WireId>(`${net.id}-${word(item)}`.slice(0, 64))
  const splice = asId<SpliceId>(`${net.id}-splice`.slice(0, 64))
  const [a, b] = places
  const plainPair =
    b !== undefined &&
    places.length === 2 &&
    JSON.stringify(a.colour) === JSON.stringify(b.colour) &&
    a.areaMm2 === b.areaMm2
  if (plainPair) return [{ id: id(a), net: net.id, from: a.place, to: b.place, colour: a.colour, areaMm2: a.areaMm2 }]
  return places.map((item) => ({
    id: id(item),
    net: net.id,
    from: item.place,
    to: { splice },
    colour: item.colour,
    areaMm2: item.areaMm2,
  }))
}
