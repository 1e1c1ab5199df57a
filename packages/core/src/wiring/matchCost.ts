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
  type Stud,
  type Wire,
} from '../dossiers/index.ts'
import { wireConfusion } from './colourDistance.ts'
import { isHighVoltage, judgeLead, judgePair, judgeRing, type PlaceVerdict } from './judgePlace.ts'
import { methodsFor } from './joinMethods.ts'
import type { ConnectionTarget } from './model.ts'
import { wiringRules } from './ruleCatalogue.ts'
import { sortParts, type CostPart } from './sortParts.ts'

export type Candidate = { target: ConnectionTarget; shared?: boolean } & (
  | { kind: 'connector'; connector: Connector }
  | { kind: 'cavity'; connector: Connector; cavity: number; wire: Wire; net: Net }
  | { kind: 'spare'; connector: Connector; cavity: number; role: string }
  | { kind: 'stud'; stud: Stud; net: Net }
)

/** What a difference costs that is no difference of signal. */
const price = {
  shellFamily: 1.5,
  shellColour: 1,
  outline: 1,
  key: 1.5,
  colour: 1,
  sheetColour: 2,
  farEnd: 0.8,
  notOnSheet: 1,
  /** Nobody wrote down whether the circuit can spare the current. */
  spareUnknown: 3,
  /** A second ring under one nut, a second lead on one wire. */
  shared: 0.3,
  outOfReach: 2,
  /** A metre. */
  farther: 0.4,
  never: 1e6,
}

/**
 * Every plug, every wire at every plug, every empty cavity a device reads, every stud. A post takes several rings and a wire
 * several leads: what more than one end of the kit may want stands there as often as it may be wanted.
 */
export function candidatesOf(machine: Machine, kit: Kit): Candidate[] {
  const { nets } = machineIndex(machine)
  const rings = kit.ends.filter((end) => end.type === 'ring').length
  const leads = kit.ends.filter((end): end is FlyingLead => end.type === 'flying-lead')
  const wanting = (net: Net) =>
    leads.filter((lead) => lead.wants.signal === net.signal && lead.cut?.half !== 'ecu').length
  const often = (candidate: Candidate, times: number): Candidate[] =>
    Array.from({ length: Math.max(1, times) }, (_, i) => (i === 0 ? candidate : { ...candidate, shared: true }))
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
        if (wire && net)
          return often({ kind: 'cavity', connector, cavity, wire, net, target }, Math.min(2, wanting(net)))
        return spare ? [{ kind: 'spare', connector, cavity, role: spare, target }] : []
      }),
    ),
    ...machine.studs.flatMap((stud): Candidate[] => {
      const net = nets.get(stud.net)
      return net ? often({ kind: 'stud', stud, net, target: { stud: stud.id } }, rings) : []
    }),
  ]
}

/** What the check would say of an end at a candidate. @returns null where such an end cannot go to such a place at all */
export function judgeCandidate(machine: Machine, kit: Kit, end: KitEnd, candidate: Candidate): PlaceVerdict[] | null {
  if (end.type === 'inline-pair' && candidate.kind === 'connector')
    return judgePair(machine, kit, end, candidate.connector)
  if (end.type === 'flying-lead' && (candidate.kind === 'cavity' || candidate.kind === 'spare')) {
    if ((candidate.kind === 'spare') !== (end.intoSpare === true)) return null
    return judgeLead(machine, kit, end, { connector: candidate.connector.id, cavity: candidate.cavity })
  }
  if (end.type === 'ring' && candidate.kind === 'stud') return judgeRing(machine, kit, end, candidate.stud)
  return null
}

/** Whether the check lets the end stay there and the kit can join it there. */
function lawful(machine: Machine, kit: Kit, end: KitEnd, candidate: Candidate): boolean {
  if (candidate.kind === 'cavity' && end.type === 'flying-lead') {
    // Cheap first: most of a machine's wires are none that a lead could want.
    if (isHighVoltage(candidate.net)) return false
    const zone = machineIndex(machine).zones.get(candidate.connector.zone)
    if (methodsFor(kit, candidate.wire.areaMm2, zone?.conditions, end.cut !== undefined).length === 0) return false
  }
  const verdicts = judgeCandidate(machine, kit, end, candidate)
  return verdicts !== null && verdicts.every((verdict) => wiringRules[verdict.rule].severity === 'note')
}

/** What putting an end on a candidate costs, part by part; null where it cannot go, or would be stopped. */
export function costParts(
  machine: Machine,
  kit: Kit,
  end: KitEnd,
  candidate: Candidate,
  from?: PointAt,
): CostPart[] | null {
  if (!lawful(machine, kit, end, candidate)) return null
  const shared = candidate.shared ? [{ what: 'shared with another end', cost: price.shared }] : []
  if (end.type === 'inline-pair' && candidate.kind === 'connector') return pairCost(machine, end, candidate.connector)
  if (end.type === 'flying-lead' && candidate.kind === 'cavity')
    return [
      ...leadCost(machine, end, candidate.connector, candidate.wire, candidate.net),
      ...reachParts(machine, end, candidate.connector, from),
      ...shared,
    ]
  if (end.type === 'flying-lead' && candidate.kind === 'spare') return []
  if (end.type === 'ring' && candidate.kind === 'stud')
    return [...ringCost(machine, end, candidate.stud, candidate.net), ...shared]
  return null
}

/** Cost of putting an end on a candidate; at least `price.never` where it cannot go at all. */
export function candidateCost(machine: Machine, kit: Kit, end: KitEnd, candidate: Candidate, from?: PointAt): number {
  const parts = costParts(machine, kit, end, candidate, from)
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

function leadCost(machine: Machine, end: FlyingLead, connector: Connector, wire: Wire, net: Net): CostPart[] {
  const parts = sortParts(end.wants, net)
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (sheet && wireConfusion(sheet.colour, wire.colour) !== 'same')
    parts.push({ what: 'not the colour on the sheet', cost: price.sheetColour })
  const atEcu = connector.ecu === true
  if (end.nearEcu ? !atEcu : atEcu || connector.cavities.length > 8)
    parts.push({ what: end.nearEcu ? 'not at the control unit' : 'at a crowded plug', cost: price.farEnd })
  if (end.wants.signal === 'supply-switched' && net.spareA === undefined)
    parts.push({ what: 'what it can spare is not known', cost: price.spareUnknown })
  return parts
}

function ringCost(machine: Machine, end: RingEnd, stud: Stud, net: Net): CostPart[] {
  const parts = sortParts(end.wants, net, 3)
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (sheet && sheet.stud !== stud.id) parts.push({ what: 'not the stud on the sheet', cost: price.notOnSheet })
  return parts
}

function pairCost(machine: Machine, end: InlinePair, connector: Connector): CostPart[] {
  const parts: CostPart[] = []
  const { shell } = end.factoryHalf
  const add = (differs: boolean, what: string, cost: number) => {
    if (differs) parts.push({ what, cost })
  }
  add(shell.family !== connector.shell.family, 'another shell', price.shellFamily)
  add(shell.colour !== connector.shell.colour, 'another shell colour', price.shellColour)
  add(shell.outline !== connector.shell.outline, 'another outline', price.outline)
  add(shell.key !== connector.shell.key, 'another key', price.key)
  const { nets } = machineIndex(machine)
  for (const line of end.lines) {
    const wire = wireAt(machine, connector.id, line.cavity)
    const net = wire && nets.get(wire.net)
    if (!wire || !net) continue
    parts.push(...sortParts(line.wants, net))
    add(wireConfusion(line.colour, wire.colour) !== 'same', `another colour in cavity ${line.cavity}`, price.colour)
  }
  return parts
}
