import { parseDossier, parseKit, parseMachine, type Accepted, type Dossier } from '@tidy-badger/core/dossiers'
import { readFolder } from '@tidy-badger/core/dossier-files'
import type { Outcome } from '@tidy-badger/core/shared'

export interface CheckTask {
  document: unknown
  kind?: Dossier['kind']
  /** Path of the document within the request. */
  under: string
  accepted: Accepted
}

/** Whether a document may be used: its schema, and that it contradicts itself in nothing, in none of its variants. */
export function check({ document, kind, under, accepted }: CheckTask): Outcome<Dossier> {
  if (kind === 'machine') return parseMachine(document, under, accepted)
  return kind === 'kit' ? parseKit(document, under, accepted) : parseDossier(document, under, accepted)
}

/** What a folder's files say; beside the server, because a file may be anything. */
export function readFiles(files: readonly (readonly [string, string])[]): Outcome<Dossier> {
  return readFolder(new Map(files))
}
