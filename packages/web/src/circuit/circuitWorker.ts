import { jobMeter, jobSupply, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import { serve } from '../platform/serve.ts'

/** What of a job’s state the circuit hangs on. */
export type Wired = Pick<JobState, 'decided' | 'connections'>

/** The dossiers of the open job, sent once: plans are kept with them, and a tick needs none anew. */
let open: { key: number; dossiers: JobDossiers } | null = null

function dossiersOf(key: number): JobDossiers {
  if (open?.key !== key) throw new Error(`circuit: the dossiers ${key} were not sent`)
  return open.dossiers
}

const api = {
  take(key: number, dossiers: JobDossiers) {
    open = { key, dossiers }
  },
  figures: (key: number, state: Wired) => jobMeter(dossiersOf(key), state).figures,
  supply: (key: number, state: Wired) => jobSupply(dossiersOf(key), state),
}
export type CircuitApi = typeof api

serve(api)
