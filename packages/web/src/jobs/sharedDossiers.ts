import type { JobDossiers } from '@tidy-badger/core/jobs'
import type { JobWithDossiers } from './api.ts'

const documents = new Map<string, object>()
const most = 24

/** The document known by this name, so that what was planned with it serves every job that has it; the given one where it is new. */
function known<T extends object>(name: string, given: T): T {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- kept below under the same name
  const document = (documents.get(name) as T | undefined) ?? given
  documents.delete(name)
  documents.set(name, document)
  for (const oldest of documents.keys()) {
    if (documents.size <= most) break
    documents.delete(oldest)
  }
  return document
}

/** A job as it came, on the documents that other jobs of this device work with already: a hash and a variant name one document. */
export function withSharedDossiers(job: JobWithDossiers): JobWithDossiers {
  const dossiers: JobDossiers = {
    ...job.dossiers,
    machine: known(`${job.machine.hash} ${job.machine.variant ?? ''}`, job.dossiers.machine),
    kit: known(kitsName(job), job.dossiers.kit),
  }
  return { ...job, dossiers }
}

/** Several kits are one document by all that are in it, in their order. */
function kitsName({ kit, kits, present = [] }: JobWithDossiers): string {
  return [...(kits ?? [kit]).map(({ hash }) => hash), '|', ...present.map(({ hash }) => hash)].join(' ')
}
