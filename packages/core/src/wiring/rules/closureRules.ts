import type { KitEnd } from '../../dossiers/index.ts'
import type { CheckScene } from '../scene.ts'
import type { Connection } from '../model.ts'
import { targetWords } from '../places.ts'
import type { Match } from '../proposeMatches.ts'

/** Ends left open, spare ends, ports and their closures. @returns true when there is nothing more to check on this end */
export function closureFindings(
  { say, machine }: CheckScene,
  end: KitEnd,
  made: readonly Connection[],
  match: Match | undefined,
): boolean {
  const at = { kitEnd: end.id }
  const closure = made.map((connection) => connection.to).find((to) => 'closed' in to)
  if (end.type === 'port') {
    if (!closure)
      say(
        'port-open',
        at,
        `${end.name} is open.`,
        end.closedBy === 'terminator' ? 'Put the terminator in.' : 'Put the cap on.',
      )
    else if ('closed' in closure && closure.closed !== end.closedBy)
      say(
        'port-wrong-closure',
        at,
        `${end.name} is closed with a ${closure.closed}, it needs a ${end.closedBy}.`,
        `Take it out and put the ${end.closedBy} in; without it the bus reflects and drops out.`,
      )
    return true
  }
  const wanted = match?.target ?? null
  if (closure) {
    if (wanted !== null)
      say(
        'closed-but-wanted',
        at,
        `${end.name} is capped, but belongs to ${targetWords(machine, wanted)}.`,
        'Take the cap off and connect it.',
      )
    return true
  }
  if (made.length > 0) return false
  if (wanted === null)
    say(
      'spare-open',
      at,
      `${end.name} has no place on ${machine.model} and is open.`,
      'Cap it and tie it back, so that it can touch nothing.',
    )
  else say('end-open', at, `${end.name} is not connected yet.`, `Connect it to ${targetWords(machine, wanted)}.`)
  return true
}
