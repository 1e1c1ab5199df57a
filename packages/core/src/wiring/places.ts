import type { KitEnd, Machine } from '../dossiers/index.ts'
import type { ConnectionTarget } from './model.ts'

/** A target in the words of the trade: "throttle sensor plug, cavity 2". */
export function targetWords(machine: Machine, target: ConnectionTarget, ends: readonly KitEnd[] = []): string {
  if ('closed' in target) return target.closed === 'cap' ? 'capped' : 'terminator in'
  if ('kitEnd' in target) return ends.find((end) => end.id === target.kitEnd)?.name ?? target.kitEnd
  if ('stud' in target) return machine.studs.find((stud) => stud.id === target.stud)?.name ?? target.stud
  const connector = machine.connectors.find((item) => item.id === target.connector)
  const name = connector?.name ?? target.connector
  return 'cavity' in target ? `${name}, cavity ${target.cavity}` : name
}

export function sameTarget(a: ConnectionTarget, b: ConnectionTarget): boolean {
  if ('closed' in a) return 'closed' in b && a.closed === b.closed
  if ('kitEnd' in a) return 'kitEnd' in b && a.kitEnd === b.kitEnd
  if ('stud' in a) return 'stud' in b && a.stud === b.stud
  if (!('connector' in b) || a.connector !== b.connector) return false
  return ('cavity' in a ? a.cavity : undefined) === ('cavity' in b ? b.cavity : undefined)
}
