import type { Kit, KitEnd, Machine, MachineIndex, KitEndId } from '../dossiers/index.ts'
import type { PlaceVerdict } from './judgePlace.ts'
import type { SayOf } from '../findings/index.ts'
import type { Connection, FindingPlace } from './model.ts'
import { targetWords } from './places.ts'
import type { Match } from './proposeMatches.ts'
import { belongsSentence, type RuleCase, type WiringFacts } from './words.ts'

/** Writes a finding down with the severity its rule has. */
export type Say = SayOf<WiringFacts, FindingPlace>

/** What every rule may look at. */
export interface CheckScene {
  machine: Machine
  index: MachineIndex
  kit: Kit
  connections: readonly Connection[]
  plan: ReadonlyMap<string, Match>
  say: Say
  /** Whether a stop was found on this end so far. */
  stopped: (kitEnd: KitEndId) => boolean
}

/** Where an end belongs, in words; `otherwise` when the plan has no place for it. */
export function plannedWords(scene: CheckScene, end: KitEnd, otherwise: string): string {
  const target = scene.plan.get(end.id)?.target
  return target ? targetWords(scene.machine, target, scene.kit) : otherwise
}

/** Where an end belongs, as the thing to do; where the machine has no place for it, that. */
export function belongsWords(scene: CheckScene, end: KitEnd): string {
  const target = scene.plan.get(end.id)?.target
  if (!target) return belongsSentence(end.name, null, false)
  const place = targetWords(scene.machine, target, scene.kit)
  return belongsSentence(end.name, place, 'closed' in target || 'open' in target)
}

/** Writes down what the judgement of a place says, with where the end belongs instead. */
export function sayVerdicts(scene: CheckScene, end: KitEnd, at: FindingPlace, verdicts: readonly PlaceVerdict[]): void {
  const target = scene.plan.get(end.id)?.target ?? null
  const sayCase = <RuleId extends keyof WiringFacts>(
    { rule, facts }: RuleCase<RuleId>,
    place: FindingPlace,
    after: string | undefined,
  ) => scene.say(rule, place, facts, after)
  for (const verdict of verdicts) {
    const here =
      target !== null &&
      (('connector' in target &&
        target.connector === at.connector &&
        ('cavity' in target ? target.cavity : undefined) === at.cavity) ||
        ('stud' in target && target.stud === at.stud))
    const place = verdict.cavity === undefined ? at : { ...at, cavity: verdict.cavity }
    sayCase(verdict, place, here ? undefined : belongsWords(scene, end))
  }
}
