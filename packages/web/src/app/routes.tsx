import { ArchiveRestore, Files, Library, Settings, TabletSmartphone } from 'lucide-react'
import { Suspense, type ComponentType } from 'react'
import { Link, matchRoutes, Outlet, type Params, type RouteObject } from 'react-router'
import { ConfirmQuestion, NewJobPage, PersonQuestion, YardPage } from '../jobs/index.ts'
import { whenShown } from '../ui/comesLater.tsx'
import { FirstSight } from '../ui/FirstSight.tsx'
import { Empty, Loading, Stripes } from '../ui/states.tsx'
import { CommandButton, CommandList } from './CommandList.tsx'
import { HelpButton, HelpSheet } from './HelpSheet.tsx'

/** What fetches the script of a route. */
type Fetch = (params: Params) => Promise<unknown>
const scriptOf = new Map<RouteObject, Fetch>()

function withScript(route: RouteObject, fetch: Fetch): RouteObject {
  scriptOf.set(route, fetch)
  return route
}

/** A page whose script comes with its address; the server names it beside the page. */
function page(path: string, load: () => Promise<ComponentType>): RouteObject {
  const Page = whenShown(load)
  return withScript({ path, element: <Page /> }, Page.fetched)
}

const jobRoom = () => import('./JobRoom.tsx')
const JobRoom = whenShown(async () => (await jobRoom()).JobRoom)
const JobIndex = whenShown(async () => (await jobRoom()).JobIndex)
const StationPage = whenShown(async () => (await jobRoom()).StationPage)
const fetchStation: Fetch = async ({ station }) => {
  await StationPage.fetched()
  await (await jobRoom()).fetchStation(station)
}

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
          page('/bench', async () => (await import('../pairing/index.ts')).BenchPage),
          page('/pair', async () => (await import('../pairing/index.ts')).PairPage),
          page('/backup', async () => (await import('../backup/index.ts')).BackupPage),
          page('/settings', async () => (await import('./SettingsPage.tsx')).SettingsPage),
          page('/vehicles', async () => (await import('../vehicles/index.ts')).VehiclesPage),
          page('/vehicles/:id', async () => (await import('../vehicles/index.ts')).VehiclePage),
          page('/dossiers', async () => (await import('../dossiers/index.ts')).DossiersPage),
          page('/dossiers/draft/:id', async () => (await import('../dossiers/index.ts')).EditorPage),
          page('/dossiers/:kind/:id', async () => (await import('../dossiers/index.ts')).DossierPage),
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
      withScript(
        {
          path: '/job/:id',
          element: (
            <Suspense fallback={<FirstSight what="Opening…" />}>
              <JobRoom />
            </Suspense>
          ),
          children: [
            withScript({ index: true, element: <JobIndex /> }, JobIndex.fetched),
            withScript({ path: ':station', element: <StationPage /> }, fetchStation),
          ],
        },
        JobRoom.fetched,
      ),
    ],
  },
]

/**
 * Fetches the scripts of what stands at an address. What is drawn before they are here shows that it waits, and React lets that stand for 300 ms
 * before it shows anything else, and works in vain meanwhile.
 */
export async function fetchScripts(address: string): Promise<void> {
  await Promise.all(
    (matchRoutes(routes, address) ?? []).map(async ({ route, params }) => scriptOf.get(route)?.(params)),
  )
}
