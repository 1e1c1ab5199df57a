import type { Kit, Machine } from '../dossiers/index.ts'
import type { FindingPlace, RuleId } from './model.ts'
import type { Match } from './proposeMatches.ts'

/** Writes a finding down with the severity its rule has. */
export type Say = (rule: RuleId, at: FindingPlace, reason: string, remedy: string) => void

/** What every rule may look at. */
export interface CheckScene {
  machine: Machine
  kit: Kit
  plan: readonly Match[]
  say: Say
  /** Whether a stop was found on this end so far. */
  stopped: (kitEnd: string) => boolean
}
