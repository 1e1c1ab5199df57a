import type { Kit, Machine } from '../dossiers/index.ts'
import type { Problem } from '../shared/index.ts'
import type { Connection } from './model.ts'

/** What connections name that is neither in the machine nor in a kit, by path (`connections.3.to.cavity`). */
export function connectionProblems(
  machine: Machine,
  kits: readonly Kit[],
  connections: readonly Connection[],
): Problem[] {
  const ends = new Set<string>(kits.flatMap((kit) => kit.ends.map((end) => end.id)))
  const sockets = new Set<string>(kits.flatMap((kit) => kit.sockets?.map((socket) => socket.id) ?? []))
  const kit = kits.length === 1 ? `the ${kits[0].model} kit` : 'these kits'
  return connections.flatMap(({ kitEnd, to }, i): Problem[] => {
    const say = (field: string, message: string): Problem[] => [
      { code: 'unknown-reference', path: `connections.${i}.${field}`, message },
    ]
    if (!ends.has(kitEnd)) return say('kitEnd', `"${kitEnd}" is no end of ${kit}.`)
    if ('kitEnd' in to && !ends.has(to.kitEnd) && !sockets.has(to.kitEnd))
      return say('to.kitEnd', `"${to.kitEnd}" is no end or socket of ${kit}.`)
    if ('stud' in to && !machine.studs.some((stud) => stud.id === to.stud))
      return say('to.stud', `"${to.stud}" is no stud of the ${machine.model}.`)
    if (!('connector' in to)) return []
    const plug = machine.connectors.find((connector) => connector.id === to.connector)
    if (!plug) return say('to.connector', `"${to.connector}" is no plug of the ${machine.model}.`)
    if ('cavity' in to && !plug.cavities.some((cavity) => cavity.number === to.cavity))
      return say('to.cavity', `${plug.name} has no cavity ${to.cavity}.`)
    return []
  })
}
