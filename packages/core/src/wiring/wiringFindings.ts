import type { DossierPair } from '../dossiers/index.ts'
import { checkWiring } from './checkWiring.ts'
import type { Erratum, Finding } from './model.ts'
import type { Match } from './proposeMatches.ts'
import type { WiringRule } from './ruleCatalogue.ts'
import { differenceKey, type WiringState } from './state.ts'
import { workFindings } from './workFindings.ts'

/** Findings of what is connected, but for differences from the plan that a person has taken as they are. */
export function wiringFindings(
  dossiers: DossierPair,
  state: WiringState,
  { plan, errata }: { plan: readonly Match[]; errata: readonly Erratum[] },
): Finding<WiringRule>[] {
  const accepted = (finding: Finding): boolean => {
    const made = state.connections.find((connection) => connection.kitEnd === finding.at.kitEnd)
    return made !== undefined && differenceKey(made.kitEnd, made.to) in state.accepted
  }
  return [
    ...checkWiring(dossiers.machine, dossiers.kit, state.connections, { plan, errata }).filter(
      (finding) =>
        (finding.rule !== 'differs-from-plan' || !accepted(finding)) &&
        (finding.rule !== 'guessed-place' || !measuredHere(state, finding)),
    ),
    ...workFindings(dossiers, state),
  ]
}

/** Whether this job put a meter to it: what was read is judged by itself, and goes into the dossier. */
function measuredHere({ readings }: WiringState, { at }: Finding): boolean {
  return readings.some(
    ({ card, about }) =>
      card !== undefined &&
      about !== undefined &&
      ((at.stud !== undefined && about.stud === at.stud) ||
        (at.connector !== undefined && about.connector === at.connector && about.cavity === at.cavity)),
  )
}
