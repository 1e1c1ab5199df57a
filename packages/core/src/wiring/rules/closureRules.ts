import type { KitEnd } from '../../dossiers/index.ts'
import type { Connection } from '../model.ts'
import { belongsWords, plannedWords, type CheckScene } from '../scene.ts'

/** Ends left open, spare ends, ports and their closures. @returns true when there is nothing more to check on this end */
export function closureFindings(scene: CheckScene, end: KitEnd, made: readonly Connection[]): boolean {
  const { say, machine } = scene
  const at = { kitEnd: end.id }
  const closure = made.map((connection) => connection.to).find((to) => 'closed' in to)
  if (end.type === 'port') {
    if (!closure) say('port-open', at, { end: end.name, wants: end.closedBy })
    else if ('closed' in closure && closure.closed !== end.closedBy)
      say('port-wrong-closure', at, { end: end.name, has: closure.closed, wants: end.closedBy })
    return true
  }
  if (end.type === 'vent') {
    if (closure) say('vent-closed', at, { end: end.name, why: end.why })
    else if (!made.some(({ to }) => 'open' in to)) say('vent-open', at, { end: end.name, why: end.why })
    return true
  }
  if (made.some(({ to }) => 'open' in to)) {
    say('end-open', at, { end: end.name, left: true, where: belongsWords(scene, end) })
    return true
  }
  const wanted = scene.plan.get(end.id)?.target ?? null
  if (closure) {
    if (wanted !== null) say('closed-but-wanted', at, { end: end.name, where: plannedWords(scene, end, '') })
    return true
  }
  if (made.length > 0) return false
  if (wanted === null) say('spare-open', at, { end: end.name, machine: machine.model })
  else say('end-open', at, { end: end.name, left: false, where: plannedWords(scene, end, '') })
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
    { fitted, wanted: kit.terminators },
  )
}
