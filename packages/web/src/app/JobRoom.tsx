import { DayButton } from '../access/index.ts'
import { WireButton } from '../wiring/index.ts'
import { JobIndex, JobLayout } from '../jobs/index.ts'

/** A job with everything that stands around its stations. */
export default function JobRoom() {
  return (
    <JobLayout
      tools={
        <>
          <WireButton />
          <DayButton />
        </>
      }
    />
  )
}

/** Where a job is gone on with. */
export { JobIndex }
