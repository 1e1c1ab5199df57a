import { inSentence, type KitEnd } from '../../dossiers/index.ts'
import type { Connection } from '../model.ts'
import { belongsWords, plannedWords, type CheckScene } from '../scene.ts'

/** Ends left open, spare ends, ports and their closures. @returns true when there is nothing more to check on this end */
export function closureFindings(scene: CheckScene, end: KitEnd, made: readonly Connection[]): boolean {
  const { say, machine } = scene
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
        end.closedBy === 'terminator'
          ? 'Take it out and put the terminator in; without it the bus reflects and drops out.'
          : 'Take the terminator out and put the cap on; one terminator too many pulls the bus down.',
      )
    return true
  }
  if (end.type === 'vent') {
    if (closure)
      say(
        'vent-closed',
        at,
        `${end.name} is closed, and has to stay open: ${end.why}`,
        'Take it off and keep it clear.',
      )
    else if (!made.some(({ to }) => 'open' in to))
      say('vent-open', at, `Nobody wrote down that ${inSentence(end.name)} is open and clear.`, end.why)
    return true
  }
  if (made.some(({ to }) => 'open' in to)) {
    say('end-open', at, `${end.name} was left open.`, belongsWords(scene, end))
    return true
  }
  const wanted = scene.plan.get(end.id)?.target ?? null
  if (closure) {
    if (wanted !== null)
      say(
        'closed-but-wanted',
        at,
        `${end.name} is capped, but belongs to ${plannedWords(scene, end, '')}.`,
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
  else say('end-open', at, `${end.name} is not connected yet.`, `Connect it to ${plannedWords(scene, end, '')}.`)
  return true
}

/** A bus works with exactly the terminators it needs: one too few reflects, one too many loads it. */
export function terminatorFindings({ say, kit, connections }: CheckScene): void {
  if (kit.terminators === undefined) return
  const closures = connections.filter(({ to }) => 'closed' in to)
  const fitted = closures.filter(({ to }) => 'closed' in to && to.closed === 'terminator').length
  const ports = kit.ends.filter((end) => end.type === 'port')
  const allClosed = ports.every((port) => closures.some((made) => made.kitEnd === port.id))
  if (fitted === kit.terminators || (fitted < kit.terminators && !allClosed)) return
  say(
    'bus-terminators',
    { kitEnd: ports.find((port) => port.type === 'port' && port.closedBy === 'terminator')?.id },
    `${fitted} ${fitted === 1 ? 'terminator is' : 'terminators are'} in; the bus of this loom needs ${kit.terminators}.`,
    fitted > kit.terminators
      ? 'Take out the one that is too many and cap that port.'
      : 'Put the missing one in at the end of the bus.',
  )
}
