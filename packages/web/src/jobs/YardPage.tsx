import { stationNames, stationsOf } from '@tidy-badger/core/dossiers'
import { byNeed, newestFirst } from '@tidy-badger/core/jobs'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { FileUp, OctagonAlert, PackageSearch, Plus } from 'lucide-react'
import { useEffect, useState, type ReactNode } from 'react'
import { Link, useNavigate } from 'react-router'
import { notice } from '../ui/notices.ts'
import { Refused } from '../platform/api/http.ts'
import { usePreferences } from '../platform/preferences.ts'
import { dayText } from '../platform/when.ts'
import { MachineThumb } from '../machine-view/index.ts'
import { Button } from '../ui/Button.tsx'
import { FileButton } from '../ui/FileButton.tsx'
import { FirstSight, sightIsOver } from '../ui/FirstSight.tsx'
import { Empty, Failed } from '../ui/states.tsx'
import { useKeys } from '../ui/useKeys.ts'
import {
  archiveJob,
  bringBackJob,
  fetchJobs,
  fetchOldJobs,
  importJob,
  throwAwayJob,
  type JobSummary,
  type UnreadableJob,
} from './api.ts'

export function YardPage() {
  const navigate = useNavigate()
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: fetchJobs })
  useKeys({ n: () => void navigate('/new') })
  useEffect(() => {
    document.title = 'The yard · Tidy Badger'
  }, [])
  useEffect(() => {
    if (!jobs.isPending) sightIsOver()
  }, [jobs.isPending])
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6 lg:px-8">
      <div className="mb-5 flex flex-wrap items-end justify-between gap-3 md:flex-nowrap">
        <div>
          <h1 className="text-head font-bold">In the yard</h1>
          <p className="text-quiet">
            Plans, checks and records the fitting of inline fuel electronics: from taking the machine in to handing it
            back.
          </p>
        </div>
        <div className="flex shrink-0 gap-2">
          <ImportJob />
          <Button look="main" onClick={() => void navigate('/new')}>
            <Plus aria-hidden size={20} /> New job
          </Button>
        </div>
      </div>
      {jobs.isPending && <FirstSight what="Looking what is in the yard…" />}
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
          <p className="font-head text-title leading-tight font-bold">{job.title}</p>
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

const sortings = ['what needs a hand', 'newest', 'name', 'machine'] as const
type Sorting = (typeof sortings)[number]
const shownKinds = ['at work', 'handed back', 'all', 'put away', 'thrown away'] as const
type Shown = (typeof shownKinds)[number]

const orders: Record<Sorting, (a: JobSummary, b: JobSummary) => number> = {
  'what needs a hand': byNeed,
  newest: newestFirst,
  name: (a, b) => a.title.localeCompare(b.title),
  machine: (a, b) => a.machineName.localeCompare(b.machineName) || newestFirst(a, b),
}

/** Jobs by what is looked for, newest need first; those put away or thrown away are one choice further. */
function JobList({ jobs: all }: { jobs: (JobSummary | UnreadableJob)[] }) {
  const [sought, setSought] = useState('')
  const [sorting, setSorting] = useState<Sorting>('what needs a hand')
  const [shown, setShown] = useState<Shown>('all')
  const which = shown === 'put away' ? 'archived' : shown === 'thrown away' ? 'deleted' : null
  const old = useQuery({
    queryKey: ['jobs', which],
    queryFn: () => (which ? fetchOldJobs(which) : Promise.resolve([])),
    enabled: which !== null,
  })
  const unreadable = all.filter((job): job is UnreadableJob => 'unreadable' in job)
  const words = sought.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const jobs = (which ? (old.data ?? []) : all)
    .filter((job): job is JobSummary => !('unreadable' in job))
    .filter((job) => shown !== 'at work' || !job.finished)
    .filter((job) => shown !== 'handed back' || job.finished)
    .filter((job) => {
      const text = `${job.title} ${job.machineName} ${job.kitName} ${stationNames[job.station]}`.toLowerCase()
      return words.every((word) => text.includes(word))
    })
    .sort(orders[sorting])
  return (
    <>
      <UnreadableList jobs={unreadable} />
      <div className="mb-3 grid gap-3 sm:grid-cols-[1fr_auto_auto]">
        <label className="flex flex-col font-semibold">
          Look for
          <input
            type="search"
            value={sought}
            placeholder="name, machine, kit, station"
            onChange={(event) => setSought(event.target.value)}
          />
        </label>
        <Pick label="Show" options={shownKinds} value={shown} onChange={setShown} />
        <Pick label="Order by" options={sortings} value={sorting} onChange={setSorting} />
      </div>
      {jobs.length === 0 && <p className="py-4 text-quiet">Nothing here fits that.</p>}
      <ul className="border-t-2 border-ink">
        {jobs.map((job) => (
          <JobRow key={job.id} job={job} old={which} />
        ))}
      </ul>
    </>
  )
}

function Pick<T extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string
  options: readonly T[]
  value: T
  onChange: (value: T) => void
}) {
  return (
    <label className="flex flex-col font-semibold">
      {label}
      <select
        value={value}
        onChange={(event) => onChange(options.find((option) => option === event.target.value) ?? value)}
      >
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  )
}

function JobRow({ job, old }: { job: JobSummary; old: 'archived' | 'deleted' | null }) {
  const client = useQueryClient()
  const dates = usePreferences((state) => state.dates)
  const act = useMutation({
    mutationFn: async ({ work }: { work: (id: string) => Promise<unknown>; says: string }) => work(job.id),
    onSuccess: async (_, { says }) => {
      await client.invalidateQueries({ queryKey: ['jobs'] })
      notice.good(`${job.title}: ${says}`)
    },
    onError: (error) => notice.bad(error.message, { duration: 15_000 }),
  })
  return (
    <li className="border-b-2 border-line-soft">
      <div className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1.5 py-2.5 sm:grid-cols-[auto_minmax(0,1fr)_auto]">
        <MachineThumb machine={job.machine} />
        <Link to={`/job/${job.id}`} className="block min-w-0 pt-1">
          <p className="font-head text-title leading-tight font-bold">{job.title}</p>
          <p className="text-quiet">
            {job.machineName} + {job.kitName} · since {dayText(new Date(job.createdAt), dates)}
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
        </Link>
        <div className="flex flex-wrap items-start justify-between gap-x-3 max-sm:col-span-2 sm:flex-col sm:items-end">
          <Progress job={job} />
          <div className="flex gap-1">
            {old ? (
              <Button
                look="quiet"
                aria-label={`Bring back ${job.title}`}
                onClick={() => act.mutate({ work: bringBackJob, says: 'back in the yard.' })}
              >
                Bring back
              </Button>
            ) : (
              <Button
                look="quiet"
                aria-label={`Put away ${job.title}`}
                onClick={() => act.mutate({ work: archiveJob, says: 'put away. It is under Show, put away.' })}
              >
                Put away
              </Button>
            )}
            {old === 'archived' && (
              <Button
                look="quiet"
                aria-label={`Throw away ${job.title}`}
                onClick={() =>
                  act.mutate({ work: throwAwayJob, says: 'thrown away; for thirty days it can be brought back.' })
                }
              >
                Throw away
              </Button>
            )}
          </div>
        </div>
      </div>
    </li>
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

/** A stripe for every station: the job's place in the day. */
function Progress({ job }: { job: JobSummary }) {
  const stations = stationsOf(job.purpose ?? 'fit')
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
          <span className="figures ml-2 text-small font-normal">
            {job.connected}/{job.ends} ends
          </span>
        )}
        {job.rides > 0 && (
          <span className="figures ml-2 text-small font-normal">
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
      notice.good(
        result.merged ? `Merged: ${result.added} entries were new.` : `Brought in with ${result.added} entries.`,
      )
      await navigate(`/job/${result.id}`)
    },
    onError: (error) => notice.bad(error.message, { duration: 15_000 }),
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
