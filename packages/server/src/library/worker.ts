import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { fitOf, type Fit } from '@tidy-badger/core/library'
import { startPlanning } from '@tidy-badger/core/planning'

startPlanning()

/** Every kit on every machine, in that order. */
export function fits({ machines, kits }: { machines: readonly Machine[]; kits: readonly Kit[] }): Fit[] {
  return machines.flatMap((machine) => kits.map((kit) => fitOf(machine, kit)))
}
