import { joinKits, type Kit, type Machine } from '../dossiers/index.ts'
import { checkWiring } from './checkWiring.ts'
import type { Finding } from './model.ts'
import { plannedConnections } from './plannedConnections.ts'
import { proposeMatches } from './proposeMatches.ts'
import type { WiringRule } from './ruleCatalogue.ts'

/**
 * What speaks against several kits on one machine, each joined as well as it can be: what only comes of their being together. Empty: they go
 * together. Notes are none.
 */
export function goTogether(machine: Machine, kits: readonly Kit[]): Finding<WiringRule>[] {
  if (kits.length < 2) return []
  const found = (list: readonly Kit[]) => {
    const kit = joinKits(list)
    const plan = proposeMatches(machine, kit)
    return checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan }).filter(
      ({ severity }) => severity !== 'note',
    )
  }
  const alone = new Set(kits.flatMap((kit) => found([kit]).map(({ rule, reason }) => `${rule} ${reason}`)))
  return found(kits).filter(({ rule, reason }) => !alone.has(`${rule} ${reason}`))
}
