import {
  backOf,
  editedAs,
  readDraft,
  stands,
  withEdited,
  withFind,
  withMet,
  type Met,
} from '@tidy-badger/core/dossier-writing'
import type { Dossier, Machine } from '@tidy-badger/core/dossiers'
import type { Find } from '@tidy-badger/core/finds'

/** Something a job taught about its machine, by whom, and on which day. */
export type Learnt = { who?: string; on: string } & ({ find: Find; back: boolean } | { met: Met })

/** A document with what a job taught in it; null where nothing of it fits, or it is no machine. */
export function learnt(
  base: unknown,
  variant: string | null,
  what: readonly Learnt[],
): { document: Machine & Record<string, unknown>; savedBy: string | null } | null {
  const read: Dossier | null = readDraft(base)
  if (read?.kind !== 'machine') return null
  const of = read.variants.find(({ id }) => id === variant)?.id ?? null
  // Everything is taught to the machine as that variant, and what is the variant's own is told apart once.
  const edited = editedAs(read, of)
  let document: Machine = edited
  let savedBy: string | null = null
  for (const { who, on, ...one } of what) {
    const next = taught(document, one, { ...(who === undefined ? {} : { who }), on })
    if (next === document) continue
    document = next
    savedBy = who ?? savedBy
  }
  return document === edited ? null : { document: { ...withEdited(read, of, document) }, savedBy }
}

function taught(
  document: Machine,
  one: { find: Find; back: boolean } | { met: Met },
  mark: { who?: string; on: string },
): Machine {
  if ('met' in one) return withMet(document, null, [one.met], mark)
  // What was changed again since is somebody's later word.
  if (one.back && !stands(document, null, one.find)) return document
  const made = withFind(document, null, one.back ? backOf(one.find) : one.find, mark)
  return made.ok ? made.value : document
}
