import { z } from 'zod'
import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineDecision, type Decided } from '../journal/index.ts'
import { powerSchools, type PowerSchool } from './feedOptions.ts'
import { groundSchools, type GroundSchool } from './groundCheck.ts'

/** What has been decided about feed and ground. */
export interface SupplyState {
  decided: { feeding?: Decided<PowerSchool>; grounding?: Decided<GroundSchool> }
}

type Chosen = Pick<SupplyState, 'decided'>

export function freshSupply(): SupplyState {
  return { decided: {} }
}

export function feedPracticeOf(state?: Chosen): PowerSchool {
  return state?.decided.feeding?.value ?? powerSchools[0]
}

export function groundPracticeOf(state?: Chosen): GroundSchool {
  return state?.decided.grounding?.value ?? groundSchools[0]
}

const decision = defineDecision<DossierPair, SupplyState, Station>()

export const feedingChosen = decision({
  kind: 'feeding-practice-chosen',
  of: {},
  value: z.enum(powerSchools),
  read: ({ decided }) => decided.feeding,
  write({ decided }, _of, answer) {
    decided.feeding = answer
  },
  about: () => 'Feed',
})

export const groundingChosen = decision({
  kind: 'grounding-practice-chosen',
  of: {},
  value: z.enum(groundSchools),
  read: ({ decided }) => decided.grounding,
  write({ decided }, _of, answer) {
    decided.grounding = answer
  },
  about: () => 'Ground',
})

export const supplyEntries = [feedingChosen, groundingChosen]
