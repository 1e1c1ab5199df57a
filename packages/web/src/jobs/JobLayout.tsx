import { purposeNames, type Station, stationNames, stations, stationsOf } from '@tidy-badger/core/dossiers'
import { purposeOf } from '@tidy-badger/core/vehicles'
import { lastOfDevice } from '@tidy-badger/core/journal'
import { entryWords } from '@tidy-badger/core/jobs'
import { BookOpenText, CircleCheck, CloudOff, CloudUpload, House, PencilLine } from 'lucide-react'
import { startTransition, Suspense, useEffect, useRef, useState, type ReactNode } from 'react'
import { Link, Navigate, NavLink, Outlet, useLocation, useParams } from 'react-router'
import { comesLater, later } from '../ui/comesLater.tsx'
import { HeadButton } from '../ui/HeadButton.tsx'
import { FirstSight, sightIsOver } from '../ui/FirstSight.tsx'
import { Failed, Stripes } from '../ui/states.tsx'
import { usePreferences } from '../platform/preferences.ts'
import { useAwake } from '../platform/useAwake.ts'
import { notice } from '../ui/notices.ts'
import { useTypedCount } from '../platform/keptTexts.ts'
import { useKeys } from '../ui/useKeys.ts'
import { wakePlanner } from './planClient.ts'
import { listen, openJournal, useJournal } from './journalStore.ts'
import { JobContext, useJob, useJobView, type JobView } from './useJob.ts'

const TimerChips = later(async () => (await import('./components/TimerChips.tsx')).TimerChips)
const JobNotices = later(async () => (await import('./components/JobNotices.tsx')).JobNotices)
const JournalSheet = comesLater(
  async () => (await import('./components/JournalSheet.tsx')).JournalSheet,
  ({ open }: { open: boolean; onClose: () => void }) => open,
)

/** @param tools what other rooms put into the head of a job */
export function JobLayout({ tools }: { tools?: ReactNode }) {
  const { id = '' } = useParams()
  const { pathname } = useLocation()
  const failure = useJournal((state) => state.failure)
  const unpaired = useJournal((state) => state.link === 'unpaired')
  const view = useJobView()
  const here = view?.job.id === id
  // Its first showing is long work: done piece by piece, while what the page came with stands.
  const [drawn, setDrawn] = useState(false)
  useEffect(() => startTransition(() => setDrawn(here)), [here])
  const shown = here && drawn ? view : null
  const station = stations.find((known) => pathname.endsWith(`/${known}`))
  const at = station && stationNames[station]
  useEffect(() => {
    wakePlanner()
    void openJournal(id)
    return listen(id)
  }, [id])
  const over = shown !== null || failure !== null
  useEffect(() => {
    if (over) sightIsOver()
  }, [over])
  useEffect(() => {
    document.title = shown ? [at, shown.job.title, 'Tidy Badger'].filter(Boolean).join(' · ') : 'Tidy Badger'
  }, [shown, at])
  if (failure && !shown)
    return (
      <Failed what="This job cannot be shown">
        <p>{failure}</p>
        <p className="mt-4 flex gap-6">
          {unpaired && (
            <Link to={`/pair?back=${encodeURIComponent(`/job/${id}`)}`} className="font-semibold underline">
              Pair this device
            </Link>
          )}
          <Link to="/" className="font-semibold underline">
            Back to the yard
          </Link>
        </p>
      </Failed>
    )
  if (!shown) return <FirstSight what="Getting the job…" />
  return (
    <JobContext value={shown}>
      <div className="print-flow flex h-full flex-col md:flex-row">
        <StationNav view={shown} />
        <div className="print-flow flex min-h-0 min-w-0 flex-1 flex-col">
          <JobHeader view={shown} tools={tools} />
          <Suspense fallback={null}>
            <JobNotices />
          </Suspense>
          <main className="print-flow flex min-h-0 flex-1 flex-col">
            <Outlet />
          </main>
        </div>
      </div>
    </JobContext>
  )
}

/** Sends `/job/x` to the station where the job is. */
export function JobIndex() {
  const { progress } = useJob()
  return <Navigate to={progress.find((item) => !item.done)?.station ?? 'hand-back'} replace />
}

/** The job's stations in working order; the one broad light stripe is where you are. */
function StationNav({ view }: { view: JobView }) {
  const strip = useRef<HTMLElement>(null)
  const { pathname } = useLocation()
  useEffect(() => {
    // Beside the work all stations are in sight; only over it, on a phone, the strip has to be moved.
    if (!window.matchMedia('(max-width: 767px)').matches) return
    // With the next frame, which lays the page out in any case.
    const frame = requestAnimationFrame(() => {
      const here = strip.current?.querySelector<HTMLElement>('[aria-current=page]')
      if (here && strip.current) strip.current.scrollLeft = here.offsetLeft - 60
    })
    return () => cancelAnimationFrame(frame)
  }, [pathname])
  return (
    <nav
      ref={strip}
      aria-label="Stations"
      className="no-print relative flex shrink-0 bg-spine text-spine-ink max-md:items-center max-md:overflow-x-auto md:w-[150px] md:flex-col md:overflow-y-auto md:pb-4"
    >
      <Link
        to="/"
        aria-label="The yard: all jobs"
        className="grid shrink-0 place-items-center text-[#f4f4ef] max-md:h-12 max-md:px-3 md:h-[60px]"
      >
        <Stripes className="h-6 max-md:hidden" />
        <House aria-hidden size={22} className="md:hidden" />
      </Link>
      {stationsOf(purposeOf(view.state)).map((station) => (
        <StationLink key={station} station={station} view={view} />
      ))}
    </nav>
  )
}

function StationLink({ station, view }: { station: Station; view: JobView }) {
  const item = view.progress.find((candidate) => candidate.station === station)
  const blocked = view.stops.length > 0 && station === 'hook-up'
  return (
    <NavLink
      to={`/job/${view.job.id}/${station}`}
      className={({ isActive }) =>
        `flex min-h-12 shrink-0 items-center gap-2.5 px-4 font-head text-small font-semibold whitespace-nowrap ${isActive ? 'border-lamp bg-ground text-ink max-md:border-b-4 md:border-l-[8px] md:pl-2' : 'hover:text-white'}`
      }
    >
      {({ isActive }) => (
        <>
          <span
            aria-hidden
            className={`size-3 shrink-0 rounded-full border-2 ${blocked ? 'rounded-none border-stop bg-stop' : item?.reopened ? 'border-lamp bg-transparent ring-2 ring-lamp' : item?.done ? 'border-current bg-current' : isActive ? 'border-[4px] border-ink' : 'border-current'}`}
          />
          {stationNames[station]}
          <span className="sr-only">
            {blocked ? ', stopped' : item?.reopened ? ', open again' : item?.done ? ', done' : ''}
          </span>
        </>
      )}
    </NavLink>
  )
}

function JobHeader({ view, tools }: { view: JobView; tools: ReactNode }) {
  const [open, setOpen] = useState(false)
  const { dossiers, job } = view
  const purpose = purposeOf(view.state)
  useAwake()
  useKeys({ j: () => setOpen(true), Undo: () => void takeBack(view) })
  return (
    <header className="no-print flex min-h-[54px] shrink-0 items-center justify-between gap-3 border-b-2 border-ink px-4 lg:px-5">
      <h1 className="min-w-0 truncate text-lead font-bold">
        {job.title}
        <span className="ml-2 font-text text-body font-normal text-quiet max-lg:hidden">
          {purpose !== 'fit' && `${purposeNames[purpose]}: `}
          {job.vehicle ? (
            <Link to={`/vehicles/${job.vehicle}`} className="underline underline-offset-4">
              {dossiers.machine.model}
            </Link>
          ) : (
            dossiers.machine.model
          )}{' '}
          + {dossiers.kit.maker} {dossiers.kit.model}
        </span>
      </h1>
      <div className="flex shrink-0 items-center gap-2">
        <LinkState />
        {tools}
        <Suspense fallback={null}>
          <TimerChips />
        </Suspense>
        <HeadButton onClick={() => setOpen(true)}>
          <BookOpenText aria-hidden size={20} />
          <span className="max-sm:sr-only">Journal</span>{' '}
          <span className="figures text-small">{view.entries.length}</span>
        </HeadButton>
      </div>
      <JournalSheet open={open} onClose={() => setOpen(false)} />
    </header>
  )
}

/** Takes back what this device wrote down last. */
async function takeBack({ entries, voided, dossiers, state, undo }: JobView): Promise<void> {
  const last = lastOfDevice(entries, voided, usePreferences.getState().device)
  if (!last) notice.say('Nothing was written down at this device that could be taken back.')
  else if (await undo(last.id)) notice.say(`Taken back: ${entryWords(last, dossiers, state)}`)
}

/** Whether what was done is with the server, on its way, or kept here. */
function LinkState() {
  const link = useJournal((state) => state.link)
  const waiting = useJournal(
    (state) => state.unsent.filter((batch) => batch.state === 'waiting').length + state.writing,
  )
  const aside = useJournal((state) => state.unsent.filter((batch) => batch.state !== 'waiting').length)
  const typed = useTypedCount(`job/${useJob().job.id}/`)
  const [Icon, words, tone] =
    link === 'unpaired'
      ? [CloudOff, waiting > 0 ? `not paired, ${waiting} not yet sent` : 'not paired', 'text-stop']
      : link === 'down'
        ? [CloudOff, waiting > 0 ? `link down, ${waiting} not yet sent` : 'link down', 'text-lamp-ink']
        : waiting > 0
          ? [CloudUpload, `${waiting} not yet sent`, 'text-lamp-ink']
          : aside > 0
            ? [CloudOff, `${aside} only on this device`, 'text-stop']
            : typed > 0
              ? [PencilLine, 'typed, kept here', 'text-quiet']
              : [CircleCheck, 'saved', 'text-good']
  return (
    <p role="status" className={`flex items-center gap-1.5 font-semibold ${tone}`}>
      <Icon aria-hidden size={19} />
      <span className={`text-small ${tone === 'text-good' ? 'max-sm:sr-only' : ''}`}>{words}</span>
    </p>
  )
}
