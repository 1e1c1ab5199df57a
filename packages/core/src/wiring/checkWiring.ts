import { isJoined, type Kit, type Machine } from '../dossiers/index.ts'
import { checkOneKit, type CheckContext } from './checkOneKit.ts'
import { checkTogether } from './checkTogether.ts'
import type { Connection, Finding } from './model.ts'
import type { WiringRule } from './ruleCatalogue.ts'

export type { CheckContext }

/**
 * All findings about what is connected so far, stops first; of several kits (`joinKits`) also what they do to each other.
 * @param connections as built; an inline pair has up to two, one per side, or one without side for both
 */
export function checkWiring(
  machine: Machine,
  kit: Kit,
  connections: readonly Connection[],
  context: CheckContext = {},
): Finding<WiringRule>[] {
  return isJoined(kit)
    ? checkTogether(machine, kit, connections, context)
    : checkOneKit(machine, kit, connections, context)
}
