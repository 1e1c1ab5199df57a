import type { JobDossiers } from '@tidy-badger/core/jobs'

type Documents = Pick<JobDossiers, 'machine' | 'kit'>

/** For who asks a worker about a job: its documents are sent when they are others than before, and go by a key. */
export function documentSender(): (
  dossiers: JobDossiers,
  take: (key: number, documents: Documents) => unknown,
) => number {
  let sent: ({ key: number } & Documents) | null = null
  return ({ machine, kit }, take) => {
    if (sent?.machine !== machine || sent.kit !== kit) {
      sent = { key: (sent?.key ?? 0) + 1, machine, kit }
      void take(sent.key, { machine, kit })
    }
    return sent.key
  }
}

/** For the worker: the documents sent last. Plans are kept with them, and most ticks need none anew. */
export function documentTaker() {
  let open: { key: number; dossiers: JobDossiers } | null = null
  return {
    take(key: number, dossiers: JobDossiers): void {
      open = { key, dossiers }
    },
    of(key: number): JobDossiers {
      if (open?.key !== key) throw new Error(`worker: the documents ${key} were not sent`)
      return open.dossiers
    },
  }
}
