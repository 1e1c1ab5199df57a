import { machineIndex, wireAt, wireName, type KitEnd, type Machine, type WireId } from '../dossiers/index.ts'
import type { FindList } from '../finds/index.ts'
import type { Match } from '../wiring/index.ts'
import type { WorkItem } from './workItems.ts'

/** A thing of the machine that may be otherwise than its dossier says. */
export interface FindThing {
  of: FindList
  thing: string
  name: string
}

/** As many ways as anybody looks through beside a cover. */
const mostWays = 6

/** What of the machine a tick is about: a cover and the ways that lead through it. */
export function thingsOfWork(machine: Machine, item: WorkItem): FindThing[] {
  const cover =
    item.kind === 'cover-off' ? item.removal.cover : item.kind === 'cover-on' ? item.closing.cover : undefined
  if (!cover) return []
  const names = new Map<string, string>(
    [...machine.connectors, ...machine.studs, ...machine.zones, ...(machine.places ?? [])].map(({ id, name }) => [
      id,
      name,
    ]),
  )
  const ways = (machine.ways ?? []).filter(({ needs }) => needs.includes(cover.id)).slice(0, mostWays)
  return [
    { of: 'covers', thing: cover.id, name: cover.name },
    ...ways.map(({ id, to, from }): FindThing => {
      const [target = ''] = Object.values(to)
      return { of: 'ways', thing: id, name: `way to ${names.get(target) ?? target}, ${from}` }
    }),
  ]
}

/** What of the machine an end is joined to, or is to be: plug, wires, circuit, stud. */
export function thingsOfEnd(machine: Machine, end: KitEnd, match: Match | undefined): FindThing[] {
  const target = match?.target
  if (target && 'stud' in target) {
    const stud = machine.studs.find(({ id }) => id === target.stud)
    return stud ? [{ of: 'studs', thing: stud.id, name: stud.name }] : []
  }
  const plug =
    target && 'connector' in target ? machine.connectors.find(({ id }) => id === target.connector) : undefined
  if (!target || !plug) return []
  const cavities =
    'cavity' in target
      ? [target.cavity]
      : end.type === 'inline-pair'
        ? end.lines.flatMap(({ does, cavity }) => (does === 'pass' ? [] : [cavity]))
        : []
  const { nets } = machineIndex(machine)
  const wires = new Map<WireId, FindThing[]>()
  for (const cavity of cavities) {
    const wire = wireAt(machine, plug.id, cavity)
    const net = wire && nets.get(wire.net)
    if (!wire || !net) continue
    wires.set(wire.id, [
      { of: 'wires', thing: wire.id, name: `wire in cavity ${cavity}, ${wireName(wire.colour)}` },
      { of: 'nets', thing: net.id, name: net.name },
    ])
  }
  const itself: FindThing = { of: 'connectors', thing: plug.id, name: plug.name }
  const within = [...wires.values()].flat()
  // A lead is joined to its wire; a pair is mated to the plug.
  return 'cavity' in target ? [...within, itself] : [itself, ...within]
}
