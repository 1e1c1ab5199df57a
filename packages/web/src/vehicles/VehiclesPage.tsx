import { useQuery } from '@tanstack/react-query'
import { Suspense, useEffect, useState } from 'react'
import { Link } from 'react-router'
import { MachineThumb } from '../machine-view/index.ts'
import { usePreferences } from '../platform/preferences.ts'
import { dayText } from '../platform/when.ts'
import { later } from '../ui/comesLater.tsx'
import { Empty, Failed, Loading } from '../ui/states.tsx'
import { fetchShelf, fetchVehicles, type OnShelf, type VehicleRow } from './api.ts'

const PutOnFile = later(async () => (await import('./components/PutOnFile.tsx')).PutOnFile)

/** How long nobody typed before it is looked for, ms. */
const restMs = 250

/** What was typed, once the hand rests. */
function useRested(text: string): string {
  const [rested, setRested] = useState(text)
  useEffect(() => {
    const timer = setTimeout(() => setRested(text), restMs)
    return () => clearTimeout(timer)
  }, [text])
  return rested
}

/** Every machine that was ever here, and the kits that wait for their next one. */
export function VehiclesPage() {
  const [sought, setSought] = useState('')
  const q = useRested(sought.trim())
  const vehicles = useQuery({
    queryKey: ['vehicles', q],
    queryFn: () => fetchVehicles(q),
    placeholderData: (kept) => kept,
  })
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: fetchShelf })
  useEffect(() => {
    document.title = 'On file · Tidy Badger'
  }, [])
  return (
    <main className="mx-auto grid w-full max-w-6xl grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 px-4 py-6 lg:grid-cols-[minmax(0,1fr)_360px] lg:px-8">
      <div className="min-w-0">
        <Link to="/" className="font-semibold underline underline-offset-4">
          The yard
        </Link>
        <h1 className="mt-2 mb-4 text-head font-bold">Machines on file</h1>
        <label className="mb-3 flex flex-col font-semibold">
          Look for
          <input
            type="search"
            value={sought}
            placeholder="plate, owner, model"
            onChange={(event) => setSought(event.target.value)}
          />
        </label>
        {vehicles.isPending && <Loading what="Looking who was here…" />}
        {vehicles.isError && (
          <Failed what="The machines on file cannot be shown">
            <p>{vehicles.error.message}</p>
          </Failed>
        )}
        {vehicles.data?.length === 0 &&
          (q === '' ? (
            <Empty title="No machine on file yet">
              <p>With its first job a machine comes on file by itself.</p>
            </Empty>
          ) : (
            <p className="py-4 text-quiet">No machine on file fits that.</p>
          ))}
        <ul className="divide-y-2 divide-line-soft border-t-2 border-ink">
          {vehicles.data?.map((vehicle) => (
            <li key={vehicle.id}>
              <VehicleLine vehicle={vehicle} />
            </li>
          ))}
        </ul>
      </div>
      <aside className="flex min-w-0 flex-col gap-6">
        <section>
          <h2 className="mb-1 text-title font-bold">On the shelf</h2>
          {shelf.data?.length === 0 && <p className="text-quiet">No kit waits for its next machine.</p>}
          <ul className="flex flex-col gap-3">
            {shelf.data?.map((kit) => (
              <li key={kit.id}>
                <ShelfLine kit={kit} />
              </li>
            ))}
          </ul>
        </section>
        <Suspense fallback={null}>
          <PutOnFile />
        </Suspense>
      </aside>
    </main>
  )
}

function VehicleLine({ vehicle }: { vehicle: VehicleRow }) {
  const dates = usePreferences((state) => state.dates)
  const { machine, machineName, plate, frame, owner, title, jobs, open, changedAt } = vehicle
  return (
    <Link to={`/vehicles/${vehicle.id}`} className="flex min-h-16 items-center gap-4 py-2">
      <MachineThumb machine={machine} />
      <span className="min-w-0 flex-1">
        <span className="block font-head text-title leading-tight font-bold">
          {plate ?? frame ?? title ?? machineName}
        </span>
        <span className="text-quiet">
          {[plate || frame || title ? machineName : null, owner?.name, plate ? title : null]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </span>
      <span className="figures shrink-0 text-right text-small text-quiet">
        {jobs} {jobs === 1 ? 'job' : 'jobs'}
        {open > 0 && <span className="block font-semibold text-lamp-ink">{open} open</span>}
        <span className="block">{dayText(new Date(changedAt), dates)}</span>
      </span>
    </Link>
  )
}

function ShelfLine({ kit }: { kit: OnShelf }) {
  const dates = usePreferences((state) => state.dates)
  return (
    <div className="border-l-[5px] border-line pl-3">
      <p className="font-bold">{kit.name}</p>
      <p className="text-quiet">
        since {dayText(new Date(kit.since), dates)}
        {kit.vehicle && (
          <>
            , off{' '}
            <Link to={`/vehicles/${kit.vehicle}`} className="font-semibold underline underline-offset-4">
              this machine
            </Link>
          </>
        )}
      </p>
      <p>{kit.missing.length === 0 ? 'Complete.' : `Missing: ${kit.missing.join(', ')}.`}</p>
      {kit.settings.length > 0 && (
        <p className="text-small text-quiet">
          Set to {kit.settings.map(({ setting, value }) => `${setting} ${value}`).join(', ')}
        </p>
      )}
    </div>
  )
}
