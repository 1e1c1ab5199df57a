import { DayButton } from '../access/index.ts'
import { FindSheet } from '../finds/index.ts'
import { WireButton } from '../wiring/index.ts'
import { JobIndex, JobLayout } from '../jobs/index.ts'

/** A job with everything that stands around its stations. */
export function JobRoom() {
  return (
    <JobLayout
      tools={
        <>
          <WireButton />
          <DayButton />
          <FindSheet />
        </>
      }
    />
  )
}

/** Where a job is gone on with, and its stations: one script with what stands around them. */
export { JobIndex }
export { fetchStation, StationPage } from './StationPage.tsx'
