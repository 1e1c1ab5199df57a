import { stepsOfPurposes } from './purposeSteps.ts'
import type { Kit } from './kitModel.ts'
import type { Machine, Station, Step } from './model.ts'

/** What is fitted to what, the machine composed with its variant. */
export interface DossierPair {
  machine: Machine
  kit: Kit
}

export const stationNames: Record<Station, string> = {
  'take-in': 'Take in',
  'check-kit': 'Check kit',
  'make-safe': 'Make safe',
  'open-up': 'Open up',
  'lay-loom': 'Lay loom',
  'hook-up': 'Hook up',
  'set-up': 'Set up',
  wake: 'Wake',
  'tie-down': 'Tie down',
  'close-up': 'Close up',
  trim: 'Trim',
  prove: 'Prove',
  'hand-back': 'Hand back',
}

/** A step of the machine or the kit. */
export function stepOf(dossiers: DossierPair, id: string): Step | undefined {
  return stepsKnown(dossiers).find((step) => step.id === id)
}

/** Every step a job of the two may have, whatever it is for. */
export function stepsKnown({ machine, kit }: DossierPair): Step[] {
  return [...machine.steps, ...kit.steps, ...stepsOfPurposes(kit)]
}

/** Name of an end of the kit; its id where there is none. */
export function endName({ kit }: Pick<DossierPair, 'kit'>, id: string): string {
  return kit.ends.find((end) => end.id === id)?.name ?? id
}
