import { trimBasis } from '@tidy-badger/core/fuel-trim'
import { isJoined, stations, type Station } from '@tidy-badger/core/dossiers'
import { startTransition, Suspense, useEffect, useRef, useState } from 'react'
import { Navigate, useParams } from 'react-router'
import { later } from '../ui/comesLater.tsx'
import { Loading } from '../ui/states.tsx'
import { CheckKitPage, SetUpPage, TakeInPage, WorkPage } from '../access/index.ts'
import { KitByKit, useJob } from '../jobs/index.ts'
import { HookUpPage } from '../wiring/index.ts'

const fuelTrim = () => import('../fuel-trim/index.ts')
const TrimPage = later(async () => (await fuelTrim()).TrimPage)
const LoomPage = later(async () => (await import('../routing/index.ts')).LoomPage)
const HandBackPage = later(async () => (await import('../handover/index.ts')).HandBackPage)

/** Fetches what a station has beyond what every station has. */
export async function fetchStation(station: string | undefined): Promise<void> {
  if (station === 'trim') await TrimPage.fetched()
  if (station === 'lay-loom' || station === 'tie-down') await LoomPage.fetched()
  if (station === 'hand-back') await HandBackPage.fetched()
}

/** The station the address names. */
export function StationPage() {
  const params = useParams()
  const { job } = useJob()
  useRidePrepared()
  const station = stations.find((known) => known === params.station)
  // What stands around a station is there before it, and each is laid out by itself.
  const [isFramed, setIsFramed] = useState(false)
  useEffect(() => startTransition(() => setIsFramed(true)), [])
  if (!station) return <Navigate to={`/job/${job.id}`} replace />
  const opening = <Loading what="Opening the station…" />
  if (!isFramed) return opening
  return (
    <Suspense fallback={opening}>
      <StationView key={station} station={station} />
    </Suspense>
  )
}

/** How long a job stands open before its newest ride is worked out for when it is asked for, ms. */
const restMs = 1000

function useRidePrepared(): void {
  const { dossiers, state } = useJob()
  const ride = state.logs.at(-1)?.log
  const now = useRef({ dossiers, state })
  useEffect(() => {
    now.current = { dossiers, state }
  })
  useEffect(() => {
    if (ride === undefined) return
    // What fails here is said where it is asked for.
    const prepare = async () => (await fuelTrim()).prepareTrim(now.current.dossiers, now.current.state)
    const timer = setTimeout(() => void prepare().catch(() => undefined), restMs)
    return () => clearTimeout(timer)
  }, [ride])
}

function StationView({ station }: { station: Station }) {
  const { dossiers } = useJob()
  switch (station) {
    case 'take-in':
      return <TakeInPage />
    case 'check-kit':
      return <CheckKitPage />
    case 'set-up':
      return <SetUpPage />
    case 'lay-loom':
    case 'tie-down':
      return isJoined(dossiers.kit) ? (
        <KitByKit station={station}>
          <LoomPage station={station} />
        </KitByKit>
      ) : (
        <LoomPage station={station} />
      )
    case 'hook-up':
      return <HookUpPage />
    case 'trim':
      return trimBasis(dossiers) ? <TrimPage /> : <WorkPage station={station} />
    case 'hand-back':
      return <HandBackPage />
    default:
      return <WorkPage station={station} />
  }
}
