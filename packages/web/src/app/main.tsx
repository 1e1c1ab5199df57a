import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { startTransition, StrictMode, useEffect, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { ErrorBoundary } from 'react-error-boundary'
import { BrowserRouter, useNavigate, useRoutes } from 'react-router'
import { getJson, Refused } from '../platform/api/http.ts'
import { ownWords } from '../platform/figures/shown.ts'
import { linkBack } from '../platform/linkBack.ts'
import { applyTheme, usePreferences } from '../platform/preferences.ts'
import { NoticeBoard } from '../ui/NoticeBoard.tsx'
import { Failed } from '../ui/states.tsx'
import { afterwards } from '../ui/afterwards.ts'
import { Button } from '../ui/Button.tsx'
import { singleKeys, clickerKeys } from '../ui/useKeys.ts'
import { fetchScripts, routes } from './routes.tsx'

const client = new QueryClient({
  queryCache: new QueryCache({ onError: askToPair }),
  defaultOptions: { queries: { retry: false, networkMode: 'always' }, mutations: { networkMode: 'always' } },
})

/** A page that asks for something without being paired leads to pairing; on a job the work goes on, and a notice asks. */
function askToPair(error: Error): void {
  const { pathname } = location
  if (error instanceof Refused && error.status === 401 && pathname !== '/pair' && !pathname.startsWith('/job/'))
    leadTo(`/pair?back=${encodeURIComponent(pathname)}`)
}

let leadTo: (address: string) => void = (address) => location.assign(address)

function Pages() {
  const navigate = useNavigate()
  useEffect(() => {
    leadTo = (address) => void navigate(address)
  }, [navigate])
  return useRoutes(routes)
}

/** The words wires are written in, fetched where they are not the usual ones. @returns the language they are in by now */
function useWireWords(): string {
  const wanted = usePreferences((state) => state.colours)
  const [now, setNow] = useState('en')
  useEffect(() => {
    let gone = false
    void (wanted === 'en' ? Promise.resolve(null) : import('./wireWords.ts')).then((words) => {
      if (gone) return
      ownWords.wires = words?.wireWords(wanted) ?? null
      setNow(wanted)
    })
    return () => {
      gone = true
    }
  }, [wanted])
  return now
}

function App() {
  const theme = usePreferences((state) => state.theme)
  const strong = usePreferences((state) => state.strong)
  const figures = usePreferences((state) => state.figures)
  const words = useWireWords()
  useEffect(() => {
    applyTheme(theme, strong)
    const system = window.matchMedia('(prefers-color-scheme: dark)')
    const follow = () => applyTheme(theme, strong)
    system.addEventListener('change', follow)
    return () => system.removeEventListener('change', follow)
  }, [theme, strong])
  return (
    <ErrorBoundary
      fallbackRender={({ error }) => (
        <Failed what="This screen has failed">
          <p>What was written down is safe. {error instanceof Error ? error.message : ''}</p>
          <Button className="mt-4" onClick={() => location.reload()}>
            Load it again
          </Button>
        </Failed>
      )}
    >
      <QueryClientProvider client={client}>
        {/* Figures are written when an element is made: another form makes the page anew. */}
        <BrowserRouter key={`${figures.units} ${figures.decimals} ${words}`}>
          <Pages />
        </BrowserRouter>
      </QueryClientProvider>
      <NoticeBoard />
    </ErrorBoundary>
  )
}

/** A paired device writes in the name it was paired with. */
async function takePersonOfDevice(): Promise<void> {
  const me = await getJson<{ role: string; person: string | null }>('/api/me').catch(() => null)
  if (me?.role === 'fitter' && me.person !== null) usePreferences.getState().setPerson(me.person, true)
}
if (location.pathname !== '/pair') void takePersonOfDevice()

const applyPreferences = ({ theme, strong, size, keys, clicker }: ReturnType<typeof usePreferences.getState>) => {
  applyTheme(theme, strong, size)
  singleKeys.on = keys
  clickerKeys.clear()
  if (clicker.next !== null) clickerKeys.set(clicker.next, 'Space')
  if (clicker.other !== null) clickerKeys.set(clicker.other, 'n')
}
applyPreferences(usePreferences.getState())
usePreferences.subscribe(applyPreferences)
const root = document.getElementById('root')
if (!root) throw new Error('app: the page has no root')
/** Draws the app piece by piece: what the page came with stands meanwhile. */
const draw = () =>
  startTransition(() =>
    createRoot(root).render(
      <StrictMode>
        <App />
      </StrictMode>,
    ),
  )
// What cannot be fetched is said where it would stand.
void fetchScripts(location.pathname)
  .catch(() => undefined)
  .then(draw)

// The whole app is fetched for the time without a link, once the first page is there and stands still.
if ('serviceWorker' in navigator && window.isSecureContext && import.meta.env.PROD)
  void afterwards
    .then(async () => {
      // Without a link there is nothing to fetch it from; it comes with the link.
      if (!navigator.onLine) await linkBack()
      await navigator.serviceWorker.register('/sw.js')
    })
    // What works without it goes on working; the next start of the page tries again.
    .catch(() => undefined)
