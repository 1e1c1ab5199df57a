import type { Kit, KitEnd, Machine, MachineIndex } from '../dossiers/index.ts'
import type { Connection, FindingPlace, RuleId } from './model.ts'
import { targetWords } from './places.ts'
import type { Match } from './proposeMatches.ts'

/** Writes a finding down with the severity its rule has. */
export type Say = (rule: RuleId, at: FindingPlace, reason: string, remedy: string) => void

/** What every rule may look at. */
export interface CheckScene {
  machine: Machine
  index: MachineIndex
  kit: Kit
  connections: readonly Connection[]
  plan: ReadonlyMap<string, Match>
  say: Say
  /** Whether a stop was found on this end so far. */
  stopped: (kitEnd: string) => boolean
}

/** Where an end belongs, in words; `otherwise` when the plan has no place for it. */
export function plannedWords(scene: CheckScene, end: KitEnd, otherwise: string): string {
  const target = scene.plan.get(end.id)?.target
  return target ? targetWords(scene.machine, target, scene.kit) : otherwise
}
