import type { JobDossiers, NewEntry } from '@tidy-badger/core/jobs'

/** Entries replayed in this thread; longer journals go to a worker. */
const lightJournal = 3000
/** Wires and ends of dossiers that are matched and checked in this thread. */
const lightWires = 600
/** Entries of a batch judged in this thread, and of those the ones that each judge the whole job. */
const lightBatch = 200
const lightJudgements = 8

/** Whether working on a job would hold the server up, so that it belongs into a worker. */
export function isHeavy(
  { machine, kit }: JobDossiers,
  journal: readonly NewEntry[],
  batch: readonly NewEntry[] = [],
): boolean {
  const judged = batch.filter((entry) => ['undo', 'station-done', 'stop-lifted'].includes(entry.kind)).length
  return (
    journal.length > lightJournal ||
    batch.length > lightBatch ||
    judged > lightJudgements ||
    machine.wires.length + machine.connectors.length > lightWires ||
    kit.ends.length > 60
  )
}
