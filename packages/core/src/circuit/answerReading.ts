import { machineIndex, type Kit, type Machine } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { connectionProblems, type Connection } from '../wiring/index.ts'
import { buildCircuit } from './buildCircuit.ts'
import type { CircuitFault, FittedKit, ProbePlace } from './model.ts'
import type { ReadingAnswer, ReadingAsked } from './schema.ts'

/**
 * What a meter shows between two probes: volts, or ohms with the battery off; null where no way leads from one to the other.
 * @param kits of different ids
 * @returns problems by path where a connection, a fault or a probe names something that is not there
 */
export function answerReading(machine: Machine, kits: readonly Kit[], asked: ReadingAsked): Outcome<ReadingAnswer> {
  const { fitted, problems } = fit(machine, kits, asked.connections)
  asked.faults.forEach((fault, i) => problems.push(...faultProblems(machine, kits, fault, `faults.${i}`)))
  for (const probe of ['red', 'black'] as const) problems.push(...placeProblems(machine, kits, asked[probe], probe))
  if (problems.length > 0) return failure(...problems)
  const { state, faults, red, black } = asked
  const shown = buildCircuit(machine, fitted, { state, faults }).reading(red, black)
  switch (shown.kind) {
    case 'volts':
      return success({ volts: shown.volts, floating: false })
    case 'ohms':
      return success({ ohms: shown.ohms, floating: false })
    case 'floating':
      return success(state === 'battery off' ? { ohms: null, floating: true } : { volts: null, floating: true })
  }
}

const unknown = (path: string, message: string): Problem => ({ code: 'unknown-reference', path, message })

/** Each connection to its kit. */
function fit(
  machine: Machine,
  kits: readonly Kit[],
  connections: ReadingAsked['connections'],
): { fitted: FittedKit[]; problems: Problem[] } {
  const problems: Problem[] = []
  const twice = kits.find((kit, i) => kits.findIndex((other) => other.id === kit.id) < i)
  if (twice) problems.push(unknown('kits', `"${twice.id}" is named twice.`))
  const of = new Map<string, Connection[]>(kits.map((kit) => [kit.id, []]))
  connections.forEach(({ kit: named, ...connection }, i) => {
    const path = `connections.${i}`
    const having = kits.filter((kit) => kit.ends.some((end) => end.id === connection.kitEnd))
    if (named !== undefined && !of.has(named)) problems.push(unknown(`${path}.kit`, `"${named}" is none of the kits.`))
    else if (named === undefined && having.length > 1)
      problems.push(
        unknown(
          `${path}.kit`,
          `${having.map(({ model }) => model).join(' and ')} have an end "${connection.kitEnd}" each: say which is meant.`,
        ),
      )
    else {
      const kit = kits.find(({ id }) => id === named) ?? having[0]
      const found = connectionProblems(machine, kit ? [kit] : kits, [connection])
      problems.push(...found.map((item) => ({ ...item, path: item.path.replace('connections.0', path) })))
      if (found.length === 0) of.get(kit.id)?.push(connection)
    }
  })
  return { fitted: kits.map((kit) => ({ kit, connections: of.get(kit.id) ?? [] })), problems }
}

function faultProblems(machine: Machine, kits: readonly Kit[], fault: CircuitFault, path: string): Problem[] {
  switch (fault.kind) {
    case 'wire':
      return machine.wires.some(({ id }) => id === fault.wire)
        ? []
        : [unknown(`${path}.wire`, `"${fault.wire}" is no wire of the ${machine.model}.`)]
    case 'contact':
      return placeProblems(machine, kits, { connector: fault.connector, cavity: fault.cavity }, path)
    case 'supply':
      return machine.nets.some(({ id, signal }) => id === fault.net && signal.startsWith('supply'))
        ? []
        : [unknown(`${path}.net`, `"${fault.net}" is no supply of the ${machine.model}.`)]
    case 'touch':
      return [
        ...placeProblems(machine, kits, fault.from, `${path}.from`),
        ...placeProblems(machine, kits, fault.to, `${path}.to`),
      ]
  }
}

function placeProblems(machine: Machine, kits: readonly Kit[], place: ProbePlace, path: string): Problem[] {
  const { connectors, wiresOf } = machineIndex(machine)
  if ('stud' in place)
    return machine.studs.some(({ id }) => id === place.stud)
      ? []
      : [unknown(`${path}.stud`, `"${place.stud}" is no stud of the ${machine.model}.`)]
  if ('bare' in place) return []
  if ('splice' in place)
    return machine.wires.some((wire) =>
      [wire.from, wire.to].some((end) => 'splice' in end && end.splice === place.splice),
    )
      ? []
      : [unknown(`${path}.splice`, `"${place.splice}" is no splice of the ${machine.model}.`)]
  if ('kitEnd' in place) {
    const leads = kits
      .filter((kit) => place.kit === undefined || kit.id === place.kit)
      .filter((kit) =>
        kit.ends.some(({ id, type }) => id === place.kitEnd && (type === 'flying-lead' || type === 'ring')),
      )
    if (leads.length === 1) return []
    const says =
      leads.length > 1 ? 'is an end of several kits: say which is meant.' : 'is no lead that a probe is held to.'
    return [unknown(`${path}.kitEnd`, `"${place.kitEnd}" ${says}`)]
  }
  if ('module' in place)
    return kits.some(({ id }) => id === place.module)
      ? []
      : [unknown(`${path}.module`, `"${place.module}" is none of the kits.`)]
  const plug = connectors.get(place.connector)
  if (!plug) return [unknown(`${path}.connector`, `"${place.connector}" is no plug of the ${machine.model}.`)]
  if (!wiresOf.get(place.connector)?.some(({ cavity }) => cavity === place.cavity))
    return [unknown(`${path}.cavity`, `${plug.name} has no wire in cavity ${place.cavity}.`)]
  if (place.half === 'device' && plug.mates !== undefined)
    return [unknown(`${path}.half`, `${plug.name} joins two looms: there is no device behind it.`)]
  return []
}
