import { purposeNames, type Purpose } from '@tidy-badger/core/dossiers'
import { meterWords } from '@tidy-badger/core/vehicles'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Suspense, useEffect, type ReactNode } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { openJob } from '../jobs/index.ts'
import { drawingAddress } from '../machine-view/index.ts'
import { isDark, usePreferences } from '../platform/preferences.ts'
import { dayText } from '../platform/when.ts'
import { Button } from '../ui/Button.tsx'
import { later } from '../ui/comesLater.tsx'
import { notice } from '../ui/notices.ts'
import { Failed, Loading } from '../ui/states.tsx'
import { fetchVehicle, mergeVehicles, type Vehicle } from './api.ts'

const WhoseItIs = later(async () => (await import('./components/WhoseItIs.tsx')).WhoseItIs)

/** One machine: what is in it now, what is open, what was done to it, and what can be done next. */
export function VehiclePage() {
  const { id = '' } = useParams()
  const vehicle = useQuery({ queryKey: ['vehicle', id], queryFn: () => fetchVehicle(id) })
  const name = vehicle.data?.plate ?? vehicle.data?.machineName
  useEffect(() => {
    document.title = [name, 'Tidy Badger'].filter(Boolean).join(' · ')
  }, [name])
  if (vehicle.isPending) return <Loading what="Reading all its jobs…" />
  if (vehicle.isError)
    return (
      <Failed what="This machine cannot be shown">
        <p>{vehicle.error.message}</p>
        <Link to="/vehicles" className="font-semibold underline">
          All machines on file
        </Link>
      </Failed>
    )
  return <OneVehicle vehicle={vehicle.data} />
}

function OneVehicle({ vehicle }: { vehicle: Vehicle }) {
  const { machine, machineName, plate, frame, owner, fitted, open } = vehicle
  const night = usePreferences((state) => isDark(state.theme))
  // Without a plate it is called as the yard called its first job.
  const heading = plate ?? frame ?? vehicle.jobs[0]?.title ?? machineName
  return (
    <main className="mx-auto grid w-full max-w-6xl grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 px-4 py-6 lg:grid-cols-[minmax(0,1fr)_380px] lg:px-8">
      <div className="flex min-w-0 flex-col gap-6">
        <header>
          <Link to="/vehicles" className="font-semibold underline underline-offset-4">
            Machines on file
          </Link>
          <h1 className="mt-2 text-head font-bold">{heading}</h1>
          <p className="text-lead text-quiet">
            {[heading === machineName ? null : machineName, owner?.name, owner?.contact].filter(Boolean).join(' · ') ||
              'Nobody wrote down whose it is.'}
          </p>
        </header>
        <img
          src={drawingAddress(machine, { from: 'side', ink: night ? 'night' : 'day', px: 640 })}
          alt={`The ${machineName} from its left`}
          className="max-h-[260px] w-full object-contain"
        />
        <Alike vehicle={vehicle} />
        <section>
          <h2 className="mb-1 text-title font-bold">In it now</h2>
          {fitted.length === 0 && <p className="text-quiet">As the factory made it.</p>}
          <ul className="flex flex-col gap-3">
            {fitted.map((kit) => (
              <li key={`${kit.jobId} ${kit.as}`}>
                <Fitted vehicle={vehicle} kit={kit} />
              </li>
            ))}
          </ul>
          <Wounds vehicle={vehicle} />
        </section>
        <Life vehicle={vehicle} />
      </div>
      <aside className="flex min-w-0 flex-col gap-6">
        {open.length > 0 && (
          <section className="border-l-[5px] border-lamp pl-3">
            <h2 className="mb-1 text-title font-bold">Open</h2>
            <ul className="flex flex-col gap-2">
              {open.map(({ what, since }) => (
                <li key={`${what} ${since}`}>
                  <span className="font-semibold">{what}</span> <Since at={since} />
                </li>
              ))}
            </ul>
          </section>
        )}
        <NextJob vehicle={vehicle} />
        <Suspense fallback={null}>
          <WhoseItIs vehicle={vehicle} />
        </Suspense>
      </aside>
    </main>
  )
}

function Since({ at }: { at: string }) {
  const dates = usePreferences((state) => state.dates)
  return at === '' ? null : <span className="figures text-small text-quiet">since {dayText(new Date(at), dates)}</span>
}

function Fitted({ vehicle, kit }: { vehicle: Vehicle; kit: Vehicle['fitted'][number] }) {
  const own = vehicle.connections.filter((made) => made.kit === kit.kit && made.jobId === kit.jobId)
  const job = vehicle.jobs.find(({ id }) => id === kit.jobId)
  return (
    <details className="border-l-[5px] border-ink pl-3">
      <summary className="min-h-11 cursor-pointer py-1">
        <span className="text-lead font-bold">{kit.name}</span>{' '}
        <span className="text-quiet">
          {kit.placeName ?? 'place not written down'} · {own.length} connections
          {job && ` · ${job.title}`}
        </span>
      </summary>
      <a
        href={`/api/jobs/${encodeURIComponent(kit.jobId)}/roadside.pdf`}
        className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4"
      >
        Roadside card
      </a>
      <ul className="mt-1 flex flex-col gap-0.5">
        {own.map((made, i) => (
          <li key={i}>
            {made.says}
            {made.method && <span className="text-quiet">, {made.method}</span>}
          </li>
        ))}
      </ul>
    </details>
  )
}

/** Wires that were pierced or cut, and what became of them. */
function Wounds({ vehicle: { punctures, cuts } }: { vehicle: Vehicle }) {
  const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
  const sealed = punctures.filter((item) => item.sealed).length
  const under = punctures.filter((item) => item.inUse).length
  const whole = cuts.filter((item) => item.joined).length
  if (punctures.length + cuts.length === 0) return null
  return (
    <p className="mt-3">
      {punctures.length > 0 &&
        `${count(punctures.length, 'wire was', 'wires were')} pierced or bared: ${under} under a tap, ${sealed} sealed. `}
      {cuts.length > 0 && `${count(cuts.length, 'wire was', 'wires were')} cut: ${whole} whole again.`}
    </p>
  )
}

/** All that was done to it, the latest first. */
function Life({ vehicle }: { vehicle: Vehicle }) {
  const dates = usePreferences((state) => state.dates)
  return (
    <section>
      <h2 className="mb-1 text-title font-bold">Its life here</h2>
      {vehicle.jobs.length === 0 && <p className="text-quiet">No job yet.</p>}
      <ol className="divide-y-2 divide-line-soft border-t-2 border-ink">
        {[...vehicle.jobs].reverse().map((job) => (
          <li key={job.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
            <span className="figures w-[110px] shrink-0 text-quiet">{dayText(new Date(job.openedAt), dates)}</span>
            <Link to={`/job/${job.id}`} className="flex min-h-11 min-w-0 flex-1 items-center font-semibold">
              {job.title}
            </Link>
            {job.gain && (
              <a
                href={`/api/jobs/${encodeURIComponent(job.id)}/proof.pdf`}
                className="figures flex min-h-11 items-center underline underline-offset-4"
              >
                {job.gain}
              </a>
            )}
            {job.meter && <span className="figures text-quiet">{meterWords(job.meter)}</span>}
            <span className={job.finished ? 'text-quiet' : 'font-semibold text-lamp-ink'}>
              {purposeNames[job.purpose]}
              {job.finished ? '' : ', at work'}
            </span>
            <a
              href={`/api/jobs/${encodeURIComponent(job.id)}/handback.pdf`}
              className="flex min-h-11 items-center font-semibold underline underline-offset-4"
            >
              Paper
            </a>
          </li>
        ))}
      </ol>
    </section>
  )
}

const nexts: readonly { purpose: Exclude<Purpose, 'fit'>; says: string }[] = [
  { purpose: 'look', says: 'Ties, taps, ground and codes after ten hours.' },
  { purpose: 'retune', says: 'A ride, new trims, the proof.' },
  { purpose: 'stock', says: 'Everything off, wires whole and sealed; the kit to the shelf.' },
]

function NextJob({ vehicle }: { vehicle: Vehicle }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const mutation = useMutation({
    mutationFn: (purpose: Purpose) =>
      openJob({
        vehicle: vehicle.id,
        purpose,
        title: `${vehicle.plate ?? vehicle.machineName}: ${purposeNames[purpose].toLowerCase()}`,
      }),
    onSuccess: async (job) => {
      await client.invalidateQueries({ queryKey: ['jobs'] })
      await navigate(`/job/${job.id}`)
    },
    onError: (error) => notice.bad(error.message),
  })
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-title font-bold">Next on it</h2>
      <Button look="main" className="self-start" onClick={() => void navigate(`/new?vehicle=${vehicle.id}`)}>
        Fit a kit
      </Button>
      {vehicle.fitted.length > 0 &&
        nexts.map(({ purpose, says }) => (
          <div key={purpose} className="flex flex-col gap-1">
            <Button className="self-start" disabled={mutation.isPending} onClick={() => mutation.mutate(purpose)}>
              {purposeNames[purpose]}
            </Button>
            <Says>{says}</Says>
          </div>
        ))}
    </section>
  )
}

function Says({ children }: { children: ReactNode }) {
  return <p className="text-small text-quiet">{children}</p>
}

/** Another one on file has its plate: most likely it is this machine. */
function Alike({ vehicle }: { vehicle: Vehicle }) {
  const client = useQueryClient()
  const merge = useMutation({
    mutationFn: (other: string) => mergeVehicles(vehicle.id, other),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['vehicle'] })
      await client.invalidateQueries({ queryKey: ['vehicles'] })
      notice.good('One machine on file now, with the jobs of both.')
    },
    onError: (error) => notice.bad(error.message),
  })
  if (vehicle.alike.length === 0) return null
  return (
    <div role="status" className="flex flex-wrap items-center gap-3 border-l-[5px] border-lamp pl-3">
      <p className="min-w-0 flex-1">
        {vehicle.alike.length === 1 ? 'Another machine on file has' : 'Other machines on file have'} this plate.
      </p>
      {vehicle.alike.map((other) => (
        <span key={other} className="flex gap-2">
          <Link
            to={`/vehicles/${other}`}
            className="flex min-h-11 items-center font-semibold underline underline-offset-4"
          >
            Look at it
          </Link>
          <Button disabled={merge.isPending} onClick={() => merge.mutate(other)}>
            It is this one
          </Button>
        </span>
      ))}
    </div>
  )
}
