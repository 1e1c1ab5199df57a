import type { Kit, MachineId } from '@tidy-badger/core/dossiers'
import { claimOf, claimWords } from '@tidy-badger/core/proving'

/** What a kit is claimed to bring on a machine, in a sentence with what it takes to say so afterwards; null where nothing is claimed. */
export function claimSaid(machine: MachineId, kit: Kit): string | null {
  const claim = claimOf({ machine: { id: machine } }, kit)
  return claim
    ? `The ${kit.model} is claimed to bring ${claimWords(claim)}. Without three pulls on stock first it cannot be claimed afterwards: drive them before anything is fitted.`
    : null
}
