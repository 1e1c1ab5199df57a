import { wireAt, type Connector, type KitEnd, type Machine, type Net, type Stud, type Wire } from '../dossiers/index.ts'
import type { ConnectionTarget } from './model.ts'
import { pinCount } from './lookalikes.ts'
import { wireConfusion } from './colourDistance.ts'

export type Candidate =
  | { kind: 'connector'; connector: Connector; target: ConnectionTarget }
  | { kind: 'cavity'; connector: Connector; cavity: number; wire: Wire; net: Net; target: ConnectionTarget }
  | { kind: 'stud'; stud: Stud; net: Net; target: ConnectionTarget }

/** What a difference costs. Signals outweigh everything that can be seen, so that lookalikes never win by looks. */
const price = {
  signal: 10,
  role: 8,
  noWire: 12,
  pinCount: 8,
  gender: 30,
  shellFamily: 1.5,
  shellColour: 1,
  outline: 1,
  key: 1.5,
  colour: 1,
  farEnd: 0.8,
  notOnSheet: 1,
  ringTooSmall: 30,
  never: 1e6,
}

/** Every plug, every wire at every plug, every stud. */
export function candidatesOf(machine: Machine): Candidate[] {
  const netOf = (id: string) => machine.nets.find((net) => net.id === id)
  return [
    ...machine.connectors.map((connector): Candidate => ({
      kind: 'connector',
      connector,
      target: { connector: connector.id },
    })),
    ...machine.connectors.flatMap((connector) =>
      connector.cavities.flatMap((cavity): Candidate[] => {
        const wire = wireAt(machine, connector.id, cavity.number)
        const net = wire && netOf(wire.net)
        if (!wire || !net) return []
        const target = { connector: connector.id, cavity: cavity.number }
        return [{ kind: 'cavity', connector, cavity: cavity.number, wire, net, target }]
      }),
    ),
    ...machine.studs.flatMap((stud): Candidate[] => {
      const net = netOf(stud.net)
      return net ? [{ kind: 'stud', stud, net, target: { stud: stud.id } }] : []
    }),
  ]
}

/** Cost of putting an end on a candidate; at least `price.never` where it cannot go at all. */
export function candidateCost(machine: Machine, end: KitEnd, candidate: Candidate): number {
  if (end.type === 'inline-pair' && candidate.kind === 'connector') return pairCost(machine, end, candidate.connector)
  if (end.type === 'flying-lead' && candidate.kind === 'cavity') {
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    return (
      signalCost(end.wants, candidate.net) +
      (sheet && wireConfusion(sheet.colour, candidate.wire.colour) !== 'same' ? 2 * price.colour : 0) +
      (pinCount(candidate.connector) > 8 ? price.farEnd : 0)
    )
  }
  if (end.type === 'ring' && candidate.kind === 'stud') {
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    return (
      3 * signalCost(end.wants, candidate.net) +
      (end.holeMm < candidate.stud.threadMm ? price.ringTooSmall : 0) +
      (sheet && sheet.stud !== candidate.stud.id ? price.notOnSheet : 0)
    )
  }
  return price.never
}

function signalCost(wants: { signal: string; role: string }, net: Net): number {
  return (wants.signal === net.signal ? 0 : price.signal) + (wants.role === net.role ? 0 : price.role)
}

function pairCost(machine: Machine, end: Extract<KitEnd, { type: 'inline-pair' }>, connector: Connector): number {
  const pins = Math.abs(pinCount(end) - pinCount(connector))
  let cost = pins * price.pinCount
  if (end.factoryHalf.gender === connector.gender) cost += price.gender
  if (end.factoryHalf.shell.family !== connector.shell.family) cost += price.shellFamily
  if (end.factoryHalf.shell.colour !== connector.shell.colour) cost += price.shellColour
  if (end.factoryHalf.shell.outline !== connector.shell.outline) cost += price.outline
  if (end.factoryHalf.shell.key !== connector.shell.key) cost += price.key
  for (const line of end.lines) {
    const wire = wireAt(machine, connector.id, line.cavity)
    const net = wire && machine.nets.find((item) => item.id === wire.net)
    if (!wire || !net) cost += price.noWire
    else cost += signalCost(line.wants, net) + (wireConfusion(line.colour, wire.colour) === 'same' ? 0 : price.colour)
  }
  return cost
}
