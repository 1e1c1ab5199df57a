import {
  machineIndex,
  wireAt,
  type Connector,
  type FlyingLead,
  type InlinePair,
  type Kit,
  type KitEnd,
  type Machine,
  type Net,
  type PointAt,
  type RingEnd,
  type SignalSort,
  type Stud,
  type Wire,
} from '../dossiers/index.ts'
import { wireConfusion } from './colourDistance.ts'
import type { ConnectionTarget } from './model.ts'
import { carriesAirbag, pinsApart } from './pins.ts'

export type Candidate =
  | { kind: 'connector'; connector: Connector; target: ConnectionTarget }
  | { kind: 'cavity'; connector: Connector; cavity: number; wire: Wire; net: Net; target: ConnectionTarget }
  | { kind: 'spare'; connector: Connector; cavity: number; role: string; target: ConnectionTarget }
  | { kind: 'stud'; stud: Stud; net: Net; target: ConnectionTarget }

/** What a difference costs. Signals outweigh everything that can be seen, so that lookalikes never win by looks. */
const price = {
  signal: 10,
  role: 8,
  sameKindOther: 6,
  noWire: 12,
  pinCount: 8,
  gender: 30,
  shellFamily: 1.5,
  shellColour: 1,
  outline: 1,
  key: 1.5,
  colour: 1,
  sheetColour: 2,
  farEnd: 0.8,
  notOnSheet: 1,
  ringTooSmall: 30,
  noCurrent: 9,
  outOfReach: 2,
  /** A metre. */
  farther: 0.4,
  never: 1e6,
}

/** One reason why a place costs something. */
export interface CostPart {
  what: string
  cost: number
}

/** Every plug, every wire at every plug, every empty cavity a device reads, every stud. */
export function candidatesOf(machine: Machine): Candidate[] {
  const { nets } = machineIndex(machine)
  return [
    ...machine.connectors.map((connector): Candidate => ({
      kind: 'connector',
      connector,
      target: { connector: connector.id },
    })),
    ...machine.connectors.flatMap((connector) =>
      connector.cavities.flatMap(({ number: cavity, spare }): Candidate[] => {
        const target = { connector: connector.id, cavity }
        const wire = wireAt(machine, connector.id, cavity)
        const net = wire && nets.get(wire.net)
        if (wire && net) return [{ kind: 'cavity', connector, cavity, wire, net, target }]
        return spare ? [{ kind: 'spare', connector, cavity, role: spare, target }] : []
      }),
    ),
    ...machine.studs.flatMap((stud): Candidate[] => {
      const net = nets.get(stud.net)
      return net ? [{ kind: 'stud', stud, net, target: { stud: stud.id } }] : []
    }),
  ]
}

/** What putting an end on a candidate costs, part by part; null where it cannot go at all. */
export function costParts(machine: Machine, end: KitEnd, candidate: Candidate, from?: PointAt): CostPart[] | null {
  if (end.type === 'inline-pair' && candidate.kind === 'connector') return pairCost(machine, end, candidate.connector)
  if (end.type === 'flying-lead' && candidate.kind === 'cavity' && carriesAirbag(machine, candidate.connector.id))
    return null
  if (end.type === 'flying-lead' && candidate.kind === 'cavity' && !end.intoSpare)
    return [
      ...leadCost(machine, end, candidate.connector, candidate.wire, candidate.net),
      ...reachParts(machine, end, candidate.connector, from),
    ]
  if (end.type === 'flying-lead' && candidate.kind === 'spare' && end.intoSpare)
    return candidate.role === end.wants.role ? [] : [{ what: 'another input', cost: price.role + price.signal }]
  if (end.type === 'ring' && candidate.kind === 'stud') return ringCost(machine, end, candidate.stud, candidate.net)
  return null
}

/** Cost of putting an end on a candidate; at least `price.never` where it cannot go at all. */
export function candidateCost(machine: Machine, end: KitEnd, candidate: Candidate, from?: PointAt): number {
  const parts = costParts(machine, end, candidate, from)
  return parts === null ? price.never : parts.reduce((sum, part) => sum + part.cost, 0)
}

/** Where the kit's own sheet puts the module on a machine; undefined where it does not say, or the machine not where that is. */
export function modulePoint(machine: Machine, kit: Kit): PointAt | undefined {
  const id = kit.places?.find((item) => item.machine === machine.id)?.place
  const place = machine.places?.find((item) => item.id === id)
  return place && machineIndex(machine).zones.get(place.zone)?.at
}

/** A circuit comes to the surface at several plugs: one farther away than trunk and branch are long is none for this lead. */
function reachParts(machine: Machine, end: FlyingLead, connector: Connector, from: PointAt | undefined): CostPart[] {
  const at = machineIndex(machine).zones.get(connector.zone)?.at
  if (!from || !at) return []
  const straightM = Math.hypot(at.x - from.x, at.y - from.y, at.z - from.z)
  return straightM > end.breakOutM + end.branchM
    ? [{ what: 'out of reach', cost: price.outOfReach }]
    : [{ what: 'farther away', cost: price.farther * straightM }]
}

/** How far what a circuit is stands from what is wanted. */
export function sortParts(wants: SignalSort, net: SignalSort, weight = 1): CostPart[] {
  const parts: CostPart[] = []
  if (wants.signal !== net.signal) parts.push({ what: 'another kind of signal', cost: weight * price.signal })
  if (wants.role !== net.role) parts.push({ what: 'another purpose', cost: weight * price.role })
  if (wants.cylinder !== undefined && net.cylinder !== wants.cylinder)
    parts.push({ what: `not number ${wants.cylinder}`, cost: weight * price.sameKindOther })
  if (wants.row !== undefined && net.row !== wants.row)
    parts.push({ what: `not the ${wants.row} row`, cost: weight * price.sameKindOther })
  if (wants.track !== undefined && net.track !== wants.track)
    parts.push({ what: `not track ${wants.track}`, cost: weight * price.sameKindOther })
  return parts
}

function leadCost(machine: Machine, end: FlyingLead, connector: Connector, wire: Wire, net: Net): CostPart[] {
  const parts = sortParts(end.wants, net)
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (sheet && wireConfusion(sheet.colour, wire.colour) !== 'same')
    parts.push({ what: 'not the colour on the sheet', cost: price.sheetColour })
  const atEcu = connector.ecu === true
  if (end.nearEcu ? !atEcu : atEcu || connector.cavities.length > 8)
    parts.push({ what: end.nearEcu ? 'not at the control unit' : 'at a crowded plug', cost: price.farEnd })
  const feeds = end.wants.signal === 'supply-switched'
  if (feeds && end.currentA !== undefined && (net.electronic || (net.spareA ?? 0) < end.currentA))
    parts.push({ what: 'has not the current to spare', cost: price.noCurrent })
  return parts
}

function ringCost(machine: Machine, end: RingEnd, stud: Stud, net: Net): CostPart[] {
  const parts = sortParts(end.wants, net, 3)
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (end.holeMm < stud.threadMm) parts.push({ what: 'the eye is too small', cost: price.ringTooSmall })
  if (sheet && sheet.stud !== stud.id) parts.push({ what: 'not the stud on the sheet', cost: price.notOnSheet })
  return parts
}

function pairCost(machine: Machine, end: InlinePair, connector: Connector): CostPart[] {
  const parts: CostPart[] = []
  const { shell } = end.factoryHalf
  const add = (differs: boolean, what: string, cost: number) => {
    if (differs) parts.push({ what, cost })
  }
  add(pinsApart(end, connector) > 0, 'another number of pins', pinsApart(end, connector) * price.pinCount)
  add(end.factoryHalf.gender === connector.gender, 'terminals that do not meet', price.gender)
  add(shell.family !== connector.shell.family, 'another shell', price.shellFamily)
  add(shell.colour !== connector.shell.colour, 'another shell colour', price.shellColour)
  add(shell.outline !== connector.shell.outline, 'another outline', price.outline)
  add(shell.key !== connector.shell.key, 'another key', price.key)
  const { nets } = machineIndex(machine)
  for (const line of end.lines) {
    const wire = wireAt(machine, connector.id, line.cavity)
    const net = wire && nets.get(wire.net)
    if (!wire || !net) parts.push({ what: `no wire in cavity ${line.cavity}`, cost: price.noWire })
    else {
      parts.push(...sortParts(line.wants, net))
      add(wireConfusion(line.colour, wire.colour) !== 'same', `another colour in cavity ${line.cavity}`, price.colour)
    }
  }
  return parts
}
