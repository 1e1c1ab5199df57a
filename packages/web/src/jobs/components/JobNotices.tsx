import { useJob } from '../useJob.ts'
import { NewerNotice } from './NewerNotice.tsx'
import { OthersAtWork } from './OthersAtWork.tsx'
import { RefusedNotice } from './RefusedNotice.tsx'
import { ReopenedNotice } from './ReopenedNotice.tsx'

/** What is said of a job over its work, where there is anything: refused, open again, a newer dossier. */
export function JobNotices() {
  const view = useJob()
  return (
    <>
      <RefusedNotice />
      <ReopenedNotice view={view} />
      <OthersAtWork />
      <NewerNotice />
    </>
  )
}
