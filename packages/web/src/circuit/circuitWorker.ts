import { jobMeter, jobSupplies, type JobState } from '@tidy-badger/core/jobs'
import { startPlanning } from '@tidy-badger/core/planning'
import { documentTaker } from '../platform/sentDocuments.ts'
import { serve } from '../platform/serve.ts'

/** What of a job’s state the circuit hangs on. */
export type Wired = Pick<JobState, 'decided' | 'connections'>

startPlanning()
const documents = documentTaker()

export const api = {
  take: documents.take,
  figures: (key: number, state: Wired) => jobMeter(documents.of(key), state).figures,
  supply: (key: number, state: Wired) => jobSupplies(documents.of(key), state),
}
export type CircuitApi = typeof api

serve(api)
