import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { variantQuestions } from '@tidy-badger/core/jobs'
import { startPlanning } from '@tidy-badger/core/planning'

/** By itself: who opens a job reads nothing of what a job is made of before a machine is picked. What a year changes is asked of the plan. */
export function yearQuestions(machine: Machine, kit: Kit) {
  startPlanning()
  return variantQuestions(machine, kit)
}
