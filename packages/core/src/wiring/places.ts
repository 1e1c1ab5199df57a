import { machineIndex, type Kit, type Machine } from '../dossiers/index.ts'
import type { ConnectionTarget } from './model.ts'

/** A target in the words of the trade: "throttle sensor plug, cavity 2". */
export function targetWords(machine: Machine, target: ConnectionTarget, kit?: Pick<Kit, 'ends' | 'sockets'>): string {
  if ('closed' in target) return target.closed === 'cap' ? 'capped' : 'terminator in'
  if ('open' in target) return 'left open'
  if ('kitEnd' in target)
    return (
      [...(kit?.ends ?? []), ...(kit?.sockets ?? [])].find((item) => item.id === target.kitEnd)?.name ?? target.kitEnd
    )
  const index = machineIndex(machine)
  if ('stud' in target) return index.studs.get(target.stud)?.name ?? target.stud
  const name = index.connectors.get(target.connector)?.name ?? target.connector
  if (!('cavity' in target)) return name
  const half = target.half === 'ecu' ? ', half to the control unit' : target.half ? ', half from the device' : ''
  return `${name}, cavity ${target.cavity}${half}`
}

/** One place of the machine; of a cut wire either half. */
export function sameTarget(a: ConnectionTarget, b: ConnectionTarget): boolean {
  if ('closed' in a) return 'closed' in b && a.closed === b.closed
  if ('open' in a) return 'open' in b
  if ('kitEnd' in a) return 'kitEnd' in b && a.kitEnd === b.kitEnd
  if ('stud' in a) return 'stud' in b && a.stud === b.stud
  if (!('connector' in b) || a.connector !== b.connector) return false
  return ('cavity' in a ? a.cavity : undefined) === ('cavity' in b ? b.cavity : undefined)
}
