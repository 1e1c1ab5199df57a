import { answerReading, type ReadingAnswer, type ReadingAsked } from '@tidy-badger/core/circuit'
import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { startPlanning } from '@tidy-badger/core/planning'

startPlanning()

export interface ReadingTask {
  machine: Machine
  kits: readonly Kit[]
  asked: ReadingAsked
}

/** What a meter shows between two probes. */
export function reading({ machine, kits, asked }: ReadingTask): Outcome<ReadingAnswer> {
  return answerReading(machine, kits, asked)
}
