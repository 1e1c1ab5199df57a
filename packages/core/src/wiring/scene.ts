import type { Kit, KitEnd, Machine, MachineIndex } from '../dossiers/index.ts'
import type { PlaceVerdict } from './judgePlace.ts'
import type { SayOf } from '../findings/index.ts'
import type { Connection, FindingPlace } from './model.ts'
import { targetWords } from './places.ts'
import type { Match } from './proposeMatches.ts'
import type { WiringRule } from './ruleCatalogue.ts'

/** Writes a finding down with the severity its rule has. */
export type Say = SayOf<WiringRule, FindingPlace>

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

/** Where an end belongs, as the thing to do; where the machine has no place for it, that. */
export function belongsWords(scene: CheckScene, end: KitEnd): string {
  const target = scene.plan.get(end.id)?.target
  if (!target) return `Cap ${end.name}: no place for it is known here.`
  if ('closed' in target || 'open' in target)
    return `${end.name} is to be ${targetWords(scene.machine, target, scene.kit)}.`
  return `${end.name} belongs to ${targetWords(scene.machine, target, scene.kit)}.`
}

/** Writes down what the judgement of a place says, with where the end belongs instead. */
export function sayVerdicts(scene: CheckScene, end: KitEnd, at: FindingPlace, verdicts: readonly PlaceVerdict[]): void {
  for (const { rule, cavity, reason, undo } of verdicts) {
    const target = scene.plan.get(end.id)?.target ?? null
    const here =
      target !== null &&
      (('connector' in target &&
        target.connector === at.connector &&
        ('cavity' in target ? target.cavity : undefined) === at.cavity) ||
        ('stud' in target && target.stud === at.stud))
    scene.say(
      rule,
      cavity === undefined ? at : { ...at, cavity },
      reason,
      here ? undo : `${undo} ${belongsWords(scene, end)}`,
    )
  }
}
