import { Link } from 'react-router'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { useJob } from '../useJob.ts'

/** Open stops, each with its remedy and the way to it. */
export function StopGate() {
  const { stops, job } = useJob()
  return (
    <>
      {stops.map((stop) => (
        <MarginCard key={stop.key} tone="stop" title="Stop" role="alert">
          <p>{stop.reason}</p>
          <p className="mt-1 font-semibold">{stop.remedy}</p>
          <Link
            to={`/job/${job.id}/hook-up`}
            className="mt-1 inline-flex min-h-11 items-center font-semibold underline"
          >
            Go to it
          </Link>
        </MarginCard>
      ))}
    </>
  )
}
