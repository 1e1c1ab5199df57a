import { ArchiveRestore, Files, Library, Settings, TabletSmartphone } from 'lucide-react'
import { lazy, Suspense } from 'react'
import { Link, Outlet, type RouteObject } from 'react-router'
import { ConfirmQuestion, NewJobPage, PersonQuestion, YardPage } from '../jobs/index.ts'
import { FirstSight } from '../ui/FirstSight.tsx'
import { Empty, Loading, Stripes } from '../ui/states.tsx'
import { CommandButton, CommandList } from './CommandList.tsx'
import { HelpButton, HelpSheet } from './HelpSheet.tsx'

// Every room comes with a script of its own; the server names it beside the page.
const JobRoom = lazy(() => import('./JobRoom.tsx'))
const SettingsPage = lazy(async () => ({ default: (await import('./SettingsPage.tsx')).SettingsPage }))
const JobIndex = lazy(async () => ({ default: (await import('./JobRoom.tsx')).JobIndex }))
const StationPage = lazy(async () => ({ default: (await import('./JobRoom.tsx')).StationPage }))
const DossiersPage = lazy(async () => ({ default: (await import('../dossiers/index.ts')).DossiersPage }))
const DossierPage = lazy(async () => ({ default: (await import('../dossiers/index.ts')).DossierPage }))
const BenchPage = lazy(async () => ({ default: (await import('../pairing/index.ts')).BenchPage }))
const PairPage = lazy(async () => ({ default: (await import('../pairing/index.ts')).PairPage }))
const BackupPage = lazy(async () => ({ default: (await import('../backup/index.ts')).BackupPage }))
const VehiclesPage = lazy(async () => ({ default: (await import('../vehicles/index.ts')).VehiclesPage }))
const VehiclePage = lazy(async () => ({ default: (await import('../vehicles/index.ts')).VehiclePage }))
const EditorPage = lazy(async () => ({ default: (await import('../dossiers/index.ts')).EditorPage }))

function Root() {
  return (
    <>
      <nav aria-label="Skip">
        <a
          href="#main"
          onClick={(event) => {
            event.preventDefault()
            const main = document.querySelector<HTMLElement>('main')
            main?.setAttribute('tabindex', '-1')
            main?.focus()
          }}
          className="sr-only z-50 rounded-lg bg-lamp px-4 py-2 font-bold text-[#15181a] focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
        >
          Skip to the work
        </a>
      </nav>
      <Outlet />
      <CommandList />
      <HelpSheet />
      <PersonQuestion />
      <ConfirmQuestion />
    </>
  )
}

/** The yard around the jobs: the mark, and the way to everything else. */
function Yard() {
  return (
    <div className="min-h-full">
      <header className="flex h-[60px] items-center justify-between bg-spine px-4 text-[#f4f4ef] lg:px-8">
        <Link to="/" className="flex min-h-11 items-center gap-3 font-head text-title font-bold">
          <Stripes className="!mx-0 h-6 max-[430px]:w-16" />
          <span className="max-[430px]:sr-only">Tidy Badger</span>
        </Link>
        <div className="flex items-center gap-0 sm:gap-3">
          <Link to="/vehicles" className="flex min-h-11 items-center px-1.5 font-semibold underline underline-offset-4">
            <Files aria-hidden size={22} className="sm:hidden" />
            <span className="max-sm:sr-only">On file</span>
          </Link>
          <Link to="/dossiers" className="flex min-h-11 items-center px-1.5 font-semibold underline underline-offset-4">
            <Library aria-hidden size={22} className="sm:hidden" />
            <span className="max-sm:sr-only">Machines and kits</span>
          </Link>
          <Link to="/bench" className="flex min-h-11 items-center px-1.5 font-semibold underline underline-offset-4">
            <TabletSmartphone aria-hidden size={22} className="sm:hidden" />
            <span className="max-sm:sr-only">Devices</span>
          </Link>
          <Link to="/backup" className="flex min-h-11 items-center px-1.5 font-semibold underline underline-offset-4">
            <ArchiveRestore aria-hidden size={22} className="sm:hidden" />
            <span className="max-sm:sr-only">Backup</span>
          </Link>
          <Link to="/settings" className="flex min-h-11 items-center px-1.5 font-semibold underline underline-offset-4">
            <Settings aria-hidden size={22} className="sm:hidden" />
            <span className="max-sm:sr-only">Settings</span>
          </Link>
          <HelpButton />
          <CommandButton />
        </div>
      </header>
      <Suspense fallback={<Loading what="Opening…" />}>
        <Outlet />
      </Suspense>
    </div>
  )
}

export const routes: RouteObject[] = [
  {
    element: <Root />,
    children: [
      {
        element: <Yard />,
        children: [
          { path: '/', element: <YardPage /> },
          { path: '/new', element: <NewJobPage /> },
          { path: '/bench', element: <BenchPage /> },
          { path: '/pair', element: <PairPage /> },
          { path: '/backup', element: <BackupPage /> },
          { path: '/settings', element: <SettingsPage /> },
          { path: '/vehicles', element: <VehiclesPage /> },
          { path: '/vehicles/:id', element: <VehiclePage /> },
          { path: '/dossiers', element: <DossiersPage /> },
          { path: '/dossiers/draft/:id', element: <EditorPage /> },
          { path: '/dossiers/:kind/:id', element: <DossierPage /> },
          {
            path: '*',
            element: (
              <main>
                <h1 className="sr-only">Nothing at this address</h1>
                <Empty title="There is nothing here">
                  <Link to="/" className="font-semibold underline">
                    Back to the yard
                  </Link>
                </Empty>
              </main>
            ),
          },
        ],
      },
      {
        path: '/job/:id',
        element: (
          <Suspense fallback={<FirstSight what="Opening…" />}>
            <JobRoom />
          </Suspense>
        ),
        children: [
          { index: true, element: <JobIndex /> },
          { path: ':station', element: <StationPage /> },
        ],
      },
    ],
  },
]
