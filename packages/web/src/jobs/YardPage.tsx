import { stations } from '@tidy-badger/core/dossiers'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { FileUp, OctagonAlert, PackageSearch, Plus } from 'lucide-react'
import { useEffect, type ReactNode } from 'react'
import { Link, useNavigate } from 'react-router'
import { toast } from 'sonner'
import { Refused } from '../platform/api/http.ts'
import { Button } from '../ui/Button.tsx'
import { FileButton } from '../ui/FileButton.tsx'
import { Empty, Failed, Loading } from '../ui/states.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { fetchJobs, importJob, type JobSummary, type UnreadableJob } from './api.ts'
import { stationNames } from './words.ts'

export function YardPage() {
  const navigate = useNavigate()
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: fetchJobs })
  useKeys({ n: () => void navigate('/new') })
  useEffect(() => {
    document.title = 'The yard · Tidy Badger'
  }, [])
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6 lg:px-8">
      <div className="mb-5 flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-3xl font-bold">In the yard</h1>
        <div className="flex gap-2">
          <ImportJob />
          <Button look="main" onClick={() => void navigate('/new')}>
            <Plus aria-hidden size={20} /> New job
          </Button>
        </div>
      </div>
      {jobs.isPending && <Loading what="Looking what is in the yard…" />}
      {jobs.isError && (
        <Failed what="The yard cannot be shown">
          <p>{jobs.error.message}</p>
          <Button className="mt-4" onClick={() => void jobs.refetch()}>
            Try again
          </Button>
        </Failed>
      )}
      {jobs.data?.length === 0 && (
        <Empty title="No job in the yard">
          <p>Choose a machine and a kit; the plan is there at once.</p>
          <Button look="main" onClick={() => void navigate('/new')}>
            Open the first job
          </Button>
        </Empty>
      )}
      {jobs.data && jobs.data.length > 0 && <JobList jobs={jobs.data} />}
    </main>
  )
}

/** Jobs that another version wrote, or that are damaged: said, and kept from hiding the others. */
function UnreadableList({ jobs }: { jobs: UnreadableJob[] }) {
  if (jobs.length === 0) return null
  return (
    <ul className="mb-4 border-y-2 border-stop">
      {jobs.map((job) => (
        <li key={job.id} className="py-3">
          <p className="font-head text-[20px] leading-tight font-bold">{job.title}</p>
          <Flag tone="text-stop" icon={<OctagonAlert aria-hidden size={19} />}>
            Cannot be read: {job.unreadable}
          </Flag>
          <a
            href={`/api/jobs/${encodeURIComponent(job.id)}/export`}
            className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4"
          >
            Save it as a file
          </a>
        </li>
      ))}
    </ul>
  )
}

function JobList({ jobs: all }: { jobs: (JobSummary | UnreadableJob)[] }) {
  const unreadable = all.filter((job): job is UnreadableJob => 'unreadable' in job)
  const jobs = all.filter((job): job is JobSummary => !('unreadable' in job))
  const attention = (job: JobSummary) => (job.finished ? 3 : job.stop ? 0 : job.missing.length > 0 ? 1 : 2)
  const sorted = [...jobs].sort((a, b) => attention(a) - attention(b) || b.createdAt.localeCompare(a.createdAt))
  return (
    <>
      <UnreadableList jobs={unreadable} />
      <ul className="border-t-2 border-ink">
        {sorted.map((job) => (
          <li key={job.id} className="border-b-2 border-line-soft">
            <Link to={`/job/${job.id}`} className="grid gap-x-5 gap-y-1.5 py-3.5 sm:grid-cols-[1fr_auto]">
              <div className="min-w-0">
                <p className="font-head text-[20px] leading-tight font-bold">{job.title}</p>
                <p className="text-quiet">
                  {job.machineName} + {job.kitName} · since {format(new Date(job.createdAt), 'd MMM yyyy')}
                </p>
                {job.stop && !job.finished && (
                  <Flag tone="text-stop" icon={<OctagonAlert aria-hidden size={19} />}>
                    Stop: {job.stop}
                  </Flag>
                )}
                {job.missing.length > 0 && !job.finished && (
                  <Flag tone="text-lamp-ink" icon={<PackageSearch aria-hidden size={19} />}>
                    Waits for: {job.missing.join(', ')}
                  </Flag>
                )}
              </div>
              <Progress job={job} />
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

function Flag({ tone, icon, children }: { tone: string; icon: ReactNode; children: ReactNode }) {
  return (
    <p className={`mt-1 flex items-start gap-1.5 font-semibold ${tone}`}>
      <span className="mt-0.5 shrink-0">{icon}</span>
      <span>{children}</span>
    </p>
  )
}

/** Twelve stripes, one per station: the job's place in the day. */
function Progress({ job }: { job: JobSummary }) {
  const at = job.finished ? stations.length : stations.indexOf(job.station)
  return (
    <div className="flex flex-col items-start gap-1 sm:items-end">
      <div aria-hidden className="flex gap-[3px]">
        {stations.map((station, i) => (
          <span
            key={station}
            className={`h-6 w-[11px] -skew-x-12 border-2 ${i < at ? 'border-ink bg-ink' : i === at ? (job.stop ? 'border-stop bg-stop' : 'border-lamp bg-lamp') : 'border-line'}`}
          />
        ))}
      </div>
      <p className="font-semibold">
        {job.finished ? 'Handed back' : stationNames[job.station]}
        {job.station === 'hook-up' && !job.finished && (
          <span className="figures ml-2 text-[15px] font-normal">
            {job.connected}/{job.ends} ends
          </span>
        )}
        {job.rides > 0 && (
          <span className="figures ml-2 text-[15px] font-normal">
            {job.rides} {job.rides === 1 ? 'ride' : 'rides'}
          </span>
        )}
      </p>
    </div>
  )
}

function ImportJob() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const mutation = useMutation({
    mutationFn: async (file: File) => {
      try {
        return await importJob(file)
      } catch (error) {
        if (!(error instanceof Refused) || error.problems[0]?.code !== 'not-json') throw error
        throw new Error(`${file.name} is not JSON. Choose a job that was saved from here.`, { cause: error })
      }
    },
    onSuccess: async (result) => {
      await client.invalidateQueries({ queryKey: ['jobs'] })
      toast.success(
        result.merged ? `Merged: ${result.added} entries were new.` : `Brought in with ${result.added} entries.`,
      )
      await navigate(`/job/${result.id}`)
    },
    onError: (error) => toast.error(error.message, { duration: 15_000 }),
  })
  return (
    <>
      <FileButton
        accept=".json,application/json"
        label="Job file"
        disabled={mutation.isPending}
        onFiles={([file]) => mutation.mutate(file)}
      >
        <FileUp aria-hidden size={20} /> {mutation.isPending ? 'Reading…' : 'Bring in a job'}
      </FileButton>
    </>
  )
}
