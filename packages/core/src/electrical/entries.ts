import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineDecision, type Decided, slotOf } from '../journal/index.ts'
import { feedPractices, type FeedPractice } from './feedPractices.ts'
import { groundPractices, type GroundPractice } from './groundCheck.ts'
import type { supplyForms } from './forms.ts'

/** What has been decided about feed and ground. */
export interface SupplyState {
  decided: { feeding?: Decided<FeedPractice>; grounding?: Decided<GroundPractice> }
}

type Chosen = Pick<SupplyState, 'decided'>

export function freshSupply(): SupplyState {
  return { decided: {} }
}

export function feedPracticeOf(state?: Chosen): FeedPractice {
  return state?.decided.feeding?.value ?? feedPractices[0]
}

export function groundPracticeOf(state?: Chosen): GroundPractice {
  return state?.decided.grounding?.value ?? groundPractices[0]
}

const decision = defineDecision<DossierPair, SupplyState, Station, typeof supplyForms>()

export const feedingChosen = decision({
  kind: 'feeding-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'feeding'),
  about: () => 'Feed',
})

export const groundingChosen = decision({
  kind: 'grounding-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'grounding'),
  about: () => 'Ground',
})

export const supplyEntries = [feedingChosen, groundingChosen]
