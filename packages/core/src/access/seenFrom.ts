import type { Machine, ThingId } from '../dossiers/index.ts'
import { viewFor, viewFrom, type View } from '../drawing/index.ts'
import { findTarget, targetKey, waysTo } from './compileAccess.ts'

/** From where a thing of a machine is shown: from inside where its first way leads through the cabin; null without the machine's size. */
export function seenFrom(machine: Machine, thing: ThingId): View | null {
  const { body } = machine
  if (!body) return null
  const target = findTarget(machine, targetKey(thing))
  const [way] = target ? waysTo(machine, target) : []
  return way?.from === 'inside' ? viewFrom(body, 'inside') : viewFor(body)
}
