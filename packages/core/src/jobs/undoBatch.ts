import type { JobDossiers, NewEntry } from './model.ts'
import { dependentsOf } from './planAppend.ts'

/**
 * Everything that has to be undone to undo one entry, latest first, that entry last.
 * Undoing the dependents first may free further ones; all are found.
 */
export function undoBatch(dossiers: JobDossiers, entries: readonly NewEntry[], target: string): string[] {
  const undone: string[] = []
  let working = [...entries]
  for (let round = 0; round <= entries.length; round++) {
    const dependents = dependentsOf(dossiers, working, { id: `probe-${round}`, kind: 'undo', undoes: target })
    if (dependents.length === 0) break
    for (const id of dependents) {
      working = [...working, { id: `probe-${round}-${id}`, kind: 'undo', undoes: id }]
      undone.push(id)
    }
  }
  return [...undone, target]
}
