import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { getKept } from '../../platform/api/kept.ts'
import { useJob } from '../useJob.ts'

interface OnFile {
  jobs: { id: string; title: string; finished: boolean }[]
}

/** Another job is open on the same machine: who works at one is told of the other. */
export function OthersAtWork() {
  const { job } = useJob()
  const vehicle = useQuery({
    enabled: Boolean(job.vehicle),
    queryKey: ['vehicle', job.vehicle],
    queryFn: () => getKept<OnFile>(`/api/vehicles/${encodeURIComponent(job.vehicle ?? '')}`),
  })
  const others = vehicle.data?.jobs.filter(({ id, finished }) => id !== job.id && !finished) ?? []
  if (others.length === 0) return null
  return (
    <section role="status" className="no-print border-b-2 border-lamp bg-paper px-5 py-2.5">
      <b>{others.length === 1 ? 'Another job is' : 'Other jobs are'} open on this machine:</b>{' '}
      {others.map(({ id, title }) => (
        <Link key={id} to={`/job/${id}`} className="mr-3 font-semibold underline">
          {title}
        </Link>
      ))}
    </section>
  )
}
