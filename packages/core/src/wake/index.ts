export { codeLedger, notOurs, type CodeLedger } from './codes.ts'
export { wakeEntries } from './entries.ts'
export { changesSignal, hasAuthority, wakeFindings, wakeWork, type WakeTask } from './findings.ts'
export { wakeForms } from './forms.ts'
export { healthList, type HealthItem } from './health.ts'
export {
  dropShare,
  judgeAuthority,
  type AuthorityAsked,
  type AuthorityVerdict,
  type TwoValues,
} from './judgeAuthority.ts'
export { gateShut, type RunState } from './gateShut.ts'
export { stepOf, type LevelStep } from './levelStep.ts'
export { readLamp, type LampAnswer, type LampAsked } from './readLamp.ts'
export { fuelChannels } from './fuelChannels.ts'
export { proofOf, type ProofValue } from './proofOf.ts'
export { wakeRules, type WakeRule } from './rules.ts'
export { standIn, standInProof, standInWays, type StandIn, type StandInLine, type StandInWay } from './standIn.ts'
export {
  authorityWays,
  codeTimes,
  freshWake,
  standingTest,
  type AuthorityTest,
  type AuthorityWay,
  type CodeTime,
  type WakeState,
} from './state.ts'
export { sayWakeWork, wakeWords, wakeWorkWords, type WakeFacts } from './words.ts'
