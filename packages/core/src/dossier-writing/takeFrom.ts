import {
  idFrom,
  thingsKnown,
  machineIndex,
  wireAt,
  type Dossier,
  type Kit,
  type KitEnd,
  type KitPart,
  type Machine,
  type MountPlace,
  type Step,
} from '../dossiers/index.ts'
import { withKnown } from './markKnown.ts'
import { withWires } from './writeWires.ts'

/** Lists a single thing can be taken over from another document of the kind. */
export const takenLists = {
  machine: ['connectors', 'covers', 'places', 'steps'],
  kit: ['ends', 'parts', 'settings', 'lamps', 'steps'],
} as const satisfies Record<Dossier['kind'], readonly string[]>
export type TakenList = (typeof takenLists)[Dossier['kind']][number]

/** What may be taken from a document, by list. */
export function thingsOf(document: Dossier): { list: TakenList; id: string; name: string }[] {
  const named = (list: TakenList, items: readonly { id: string; name: string }[] = []) =>
    items.map(({ id, name }) => ({ list, id, name }))
  const steps = named(
    'steps',
    document.steps.map(({ id, text }) => ({ id, name: text })),
  )
  if (document.kind === 'machine')
    return [
      ...named('connectors', document.connectors),
      ...named('covers', document.covers),
      ...named('places', document.places),
      ...steps,
    ]
  return [
    ...named('ends', document.ends),
    ...named('parts', document.parts),
    ...named('settings', document.settings),
    ...named(
      'lamps',
      document.lamps?.map(({ id, means }) => ({ id, name: means })),
    ),
    ...steps,
  ]
}

/**
 * The machine with a thing of another one, under an id of its own. A plug comes with its wires, whose circuits are known by their names; what
 * it names that is not here (a zone, covers, steps before it) is left out.
 */
export function takenFromMachine(machine: Machine, other: Machine, list: TakenList, id: string): Machine {
  return guessedAs(machine, machineWith(machine, other, list, id), other)
}

/** What is new in a document came from another one: it is a guess until somebody looks. */
function guessedAs<D extends Machine | Kit>(before: D, after: D, { maker, model }: D): D {
  const there = thingsKnown(before)
  const fresh = [...thingsKnown(after)].flatMap(([key, thing]) =>
    there.has(key) || thing.of === 'steps' ? [] : [thing],
  )
  return fresh.reduce(
    (now, { of, id }) => withKnown(now, of, id, 'guess', { says: `as on the ${maker} ${model}` }),
    after,
  )
}

function machineWith(machine: Machine, other: Machine, list: TakenList, id: string): Machine {
  const zoneHere = (zone: string) => {
    const name = other.zones.find((item) => item.id === zone)?.name
    const [first] = machine.zones
    return machine.zones.find((item) => item.name === name)?.id ?? first.id
  }
  if (list === 'connectors') {
    const plug = other.connectors.find((item) => item.id === id)
    if (!plug) return machine
    const { mates: _apart, ...alone } = plug
    const made = { ...alone, id: freeId(plug, machine.connectors), zone: zoneHere(plug.zone) }
    const { nets } = machineIndex(other)
    const entries = plug.cavities.flatMap(({ number }) => {
      const wire = wireAt(other, plug.id, number)
      const signal = wire && nets.get(wire.net)?.name
      return wire && signal !== undefined
        ? [{ cavity: number, colour: wire.colour, areaMm2: wire.areaMm2, signal }]
        : []
    })
    const wired = withWires({ ...machine, connectors: [...machine.connectors, made] }, made.id, entries)
    // What a circuit is there it is here, where nothing else is known of it.
    const sorts = new Map(other.nets.map((net) => [net.name.trim().toLowerCase(), net]))
    return {
      ...wired,
      nets: wired.nets.map((net) => {
        const there = sorts.get(net.name.trim().toLowerCase())
        if (net.signal !== 'unknown' || !there) return net
        const { id: _id, name: _name, source: _source, readings: _readings, ...sort } = there
        return { ...net, ...sort }
      }),
    }
  }
  if (list === 'covers') {
    const cover = other.covers?.find((item) => item.id === id)
    const known = machine.covers ?? []
    if (!cover) return machine
    const after = cover.after.filter((one) => known.some((item) => item.id === one))
    return { ...machine, covers: [...known, { ...cover, id: freeId(cover, known), after }] }
  }
  if (list === 'places') {
    const place = other.places?.find((item) => item.id === id)
    const known = machine.places ?? []
    if (!place) return machine
    const made: MountPlace = { ...place, id: freeId(place, known), zone: zoneHere(place.zone) }
    return { ...machine, places: [...known, made] }
  }
  const step = other.steps.find((item) => item.id === id)
  return step ? { ...machine, steps: [...machine.steps, stepHere(step, machine.steps)] } : machine
}

/** The kit with a thing of another one, under an id of its own; what other machines' sheets say of an end stays there. */
export function takenFromKit(kit: Kit, other: Kit, list: TakenList, id: string): Kit {
  if (list === 'ends') {
    const end = other.ends.find((item) => item.id === id)
    if (!end) return kit
    const made = { ...endHere(end), id: freeId(end, [...kit.ends, ...(kit.sockets ?? [])]) }
    if (made.type !== 'plug') return { ...kit, ends: [...kit.ends, made] }
    // Its socket comes along; the others its shape enters are there.
    const known = kit.sockets ?? []
    const needed = (other.sockets ?? []).filter(
      (socket) =>
        (made.enters.includes(socket.id) || made.into === socket.id) && !known.some(({ id: one }) => one === socket.id),
    )
    return { ...kit, ends: [...kit.ends, made], sockets: [...known, ...needed] }
  }
  if (list === 'steps') {
    const step = other.steps.find((item) => item.id === id)
    return step ? { ...kit, steps: [...kit.steps, stepHere(step, kit.steps)] } : kit
  }
  const added = <Item extends { id: string }>(known: readonly Item[] = [], from: readonly Item[] = []): Item[] => [
    ...known,
    ...from.filter((item) => item.id === id).map((item) => ({ ...item, id: freeId(item, known) })),
  ]
  if (list === 'parts') return { ...kit, parts: added(kit.parts, other.parts) }
  if (list === 'settings') return { ...kit, settings: added(kit.settings, other.settings) }
  return { ...kit, lamps: added(kit.lamps, other.lamps) }
}

/** An end without what is said of machines, and without the other half of a cut, which is no end of this loom. */
function endHere(end: KitEnd): KitEnd {
  if (end.type === 'ring') return { ...end, sheet: [] }
  if (end.type !== 'flying-lead') return end
  const { cut: _cut, ...whole } = end
  return { ...whole, sheet: [] }
}

/** A step without what it names that is not here. */
function stepHere(step: Step, known: readonly Step[]): Step {
  const { after, needs, ...rest } = step
  const before = after?.filter((one) => known.some((item) => item.id === one)) ?? []
  const { covers: _covers, reach: _reach, ...power } = needs ?? {}
  return {
    ...rest,
    id: freeId(step, known),
    ...(Object.keys(power).length > 0 ? { needs: power } : {}),
    ...(before.length > 0 ? { after: before } : {}),
  }
}

/** The id as it is there where it is free, else one beside it. */
function freeId<Id extends string>(item: { id: Id }, known: readonly { id: string }[]): Id {
  return idFrom<Id>(
    item.id,
    known.map(({ id }) => id),
  )
}

/** The machine with steps that others of its class have, each without what it names that is not here. */
export function withSteps(machine: Machine, steps: readonly Step[]): Machine {
  return steps.reduce((now: Machine, step) => ({ ...now, steps: [...now.steps, stepHere(step, now.steps)] }), machine)
}

/** The kit with parts that others of its kind have. */
export function withParts(kit: Kit, parts: readonly KitPart[]): Kit {
  return parts.reduce(
    (now: Kit, part) => ({ ...now, parts: [...now.parts, { ...part, id: freeId(part, now.parts) }] }),
    kit,
  )
}
