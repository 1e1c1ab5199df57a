import { stationNames } from '@tidy-badger/core/dossiers'
import { Link } from 'react-router'
import type { JobView } from '../useJob.ts'

/** Stations that were done and are open again, with what opened them. */
export function ReopenedNotice({ view }: { view: JobView }) {
  const reopened = view.progress.filter((item) => item.reopened !== undefined)
  const [first] = reopened
  if (!first) return null
  return (
    <section role="status" className="no-print border-b-2 border-lamp bg-paper px-5 py-2.5">
      <b>
        {reopened.map((item) => stationNames[item.station]).join(', ')}{' '}
        {reopened.length === 1 ? 'was done and is' : 'were done and are'} open again.
      </b>{' '}
      {first.reopened}{' '}
      <Link to={`/job/${view.job.id}/${first.station}`} className="font-semibold underline">
        Go there
      </Link>
    </section>
  )
}
