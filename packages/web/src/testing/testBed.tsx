import 'fake-indexeddb/auto'
import type { JobDossiers, JournalEntry, NewEntry } from '@tidy-badger/core/jobs'
import { entryVersion, planAppend, replay, stationProgress, timeReport } from '@tidy-badger/core/jobs'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import * as react from 'react'
import { MemoryRouter, useLocation, useRoutes } from 'react-router'
import { setImmediate as setImmediateOfNode } from 'node:timers'
import { afterEach, beforeAll, beforeEach, expect, vi } from 'vitest'
import { routes } from '../app/routes.tsx'
import { useFinding } from '../finds/store.ts'
import { useConfirm } from '../jobs/confirmStore.ts'
import { usePersonQuestion } from '../jobs/personStore.ts'
import { useKeptTexts } from '../platform/keptTexts.ts'
import { usePreferences } from '../platform/preferences.ts'
import { useLoomView } from '../routing/store.ts'
import { NoticeBoard } from '../ui/NoticeBoard.tsx'
import { clickerKeys, singleKeys } from '../ui/useKeys.ts'
import { useSelection } from '../wiring/store.ts'
import { useWorkSelection } from '../work/store.ts'
import './patience.ts'
import { threadsHere } from './threadsHere.ts'

interface HeldJob {
  title: string
  dossiers: JobDossiers
  entries: JournalEntry[]
}

const ref = ({ id, version }: { id: string; version: number }) => ({
  id,
  version,
  hash: `${id}@${version}`,
  variant: null,
})

/** A yard in memory that answers the app as the server would, by the same laws of the journal. */
export function testYard() {
  const jobs = new Map<string, HeldJob>()
  /** Answers kept for paths of their own: a value, or what is made of how it was asked. */
  const answers = new Map<string, unknown>()
  /** What was asked with a body, in order. */
  const sent: { path: string; method: string; body: unknown }[] = []
  let link = true

  function stamped({ entries }: HeldJob, fresh: readonly NewEntry[]): JournalEntry[] {
    const at = '2026-06-01T08:00:00.000Z'
    return fresh.map((entry, i) => ({ at, ...entry, seq: entries.length + i + 1, receivedAt: at, v: entryVersion }))
  }

  function put(id: string, dossiers: JobDossiers, entries: readonly NewEntry[] = [], title = 'Hut job'): void {
    const job: HeldJob = { title, dossiers, entries: [] }
    job.entries = stamped(job, entries)
    jobs.set(id, job)
  }

  function summary(id: string, { title, dossiers, entries }: HeldJob) {
    const { machine, kit } = dossiers
    const progress = stationProgress(dossiers, replay(dossiers, entries))
    return {
      ...{ id, title, machine: ref(machine), kit: ref(kit), head: entries.length, stop: null, missing: [], rides: 0 },
      ...{ machineName: `${machine.maker} ${machine.model}`, kitName: `${kit.maker} ${kit.model}`, connected: 0 },
      ...{ createdAt: '2026-06-01T08:00:00.000Z', changedAt: '2026-06-01T08:00:00.000Z', ends: kit.ends.length },
      ...{ station: progress.find((item) => !item.done)?.station ?? 'hand-back', finished: false },
    }
  }

  function answer(path: string, method: string, body: string): Response {
    const [, id, rest = ''] = /^\/api\/jobs\/([^/?]+)(.*)$/.exec(path) ?? []
    const job = id === undefined ? undefined : jobs.get(id)
    if (answers.has(path)) {
      const kept = answers.get(path)
      const made: unknown = typeof kept === 'function' ? kept(method, body) : kept
      return made instanceof Response ? made : Response.json(made)
    }
    if (path === '/api/jobs') return Response.json([...jobs].map(([at, held]) => summary(at, held)))
    if (path === '/api/me') return Response.json({ role: 'bench', person: null })
    if (path === '/api/errata' || path.startsWith('/api/times')) return Response.json([])
    if (!job || id === undefined)
      return Response.json([{ code: 'unknown', path: '', message: `Nothing at ${path}.` }], { status: 404 })
    if (rest === '') return Response.json({ ...summary(id, job), dossiers: job.dossiers })
    if (rest === '/time-report') return Response.json(timeReport(job.dossiers, job.entries))
    if (rest === '/newer') return Response.json({ machine: null, kit: null })
    if (rest === '/journal' && method === 'POST') {
      const { entries } = JSON.parse(body) as { entries: NewEntry[] }
      const plan = planAppend(job.dossiers, job.entries, entries)
      if (plan.kind !== 'append') return Response.json(plan.problems, { status: 409 })
      job.entries = [...job.entries, ...stamped(job, plan.fresh)]
      return Response.json({ head: job.entries.length }, { status: 201 })
    }
    const after = Number(new URLSearchParams(rest.split('?')[1]).get('after') ?? 0)
    return Response.json(
      { head: job.entries.length, entries: job.entries.filter((entry) => entry.seq > after) },
      { headers: { yard: 'test', dossiers: `${ref(job.dossiers.machine).hash} ${ref(job.dossiers.kit).hash}` } },
    )
  }

  return {
    put,
    answers,
    sent: sent as readonly (typeof sent)[number][],
    entries: (id: string): readonly JournalEntry[] => jobs.get(id)?.entries ?? [],
    cutLink: (cut: boolean) => (link = !cut),
    fetch: async (path: string | URL | Request, init?: RequestInit): Promise<Response> => {
      if (!link) throw new TypeError('no link')
      const [method, body] = [init?.method ?? 'GET', typeof init?.body === 'string' ? init.body : '']
      if (method !== 'GET') sent.push({ path: String(path), method, body: body === '' ? null : JSON.parse(body) })
      return answer(String(path), method, body)
    },
  }
}

/** A socket that never says anything: news is asked for instead. */
class SilentSocket {
  static readonly CLOSED = 3
  readonly readyState = 0
  onmessage = null
  onclose = null
  close(): void {}
}

/** React notes for every element where it was made, for a message of its own: a tenth of the time of these tests, and nobody reads it. */
function withoutOwnerStacks(): void {
  const internals: unknown = Reflect.get(react, '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE')
  if (typeof internals !== 'object' || internals === null) throw new Error('React counts its stacks elsewhere now')
  Object.defineProperty(internals, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => {} })
}

const said: string[] = []

const asBegun = <State,>(store: { setState: (state: State) => void; getInitialState: () => State }) =>
  store.setState(store.getInitialState())

/** All as in a page just opened: files share what they load, and nothing that one has done is left for another. */
function asOpened(): void {
  localStorage.clear()
  asBegun(useConfirm)
  asBegun(useFinding)
  asBegun(useKeptTexts)
  asBegun(useLoomView)
  asBegun(usePersonQuestion)
  asBegun(usePreferences)
  asBegun(useSelection)
  asBegun(useWorkSelection)
  singleKeys.on = true
  clickerKeys.clear()
  usePreferences.setState({ person: 'Runa', device: 'test' })
}

/** Call in a test file that shows pages: what a page says to the console fails its test, and nothing is left behind. */
export function forPages(): void {
  withoutOwnerStacks()
  // The device's store outlives a file's window: what it has begun is finished by a timer that no window takes with it.
  beforeAll(() => {
    globalThis.setImmediate = setImmediateOfNode
    // What a page asks for once its test is over gets no answer: no window goes looking for a server.
    globalThis.fetch = () => new Promise<Response>(() => undefined)
    Object.assign(globalThis, { WebSocket: SilentSocket })
    threadsHere()
  })
  beforeEach(() => {
    // As the page itself says.
    document.documentElement.lang = 'en'
    asOpened()
    vi.spyOn(console, 'error').mockImplementation((...words: unknown[]) => said.push(words.map(String).join(' ')))
  })
  afterEach(() => {
    cleanup()
    vi.unstubAllGlobals()
    vi.restoreAllMocks()
    expect(said.splice(0)).toEqual([])
  })
}

/** Opens the app at a path, before the eyes of Runa. */
export function openApp(yard: Pick<ReturnType<typeof testYard>, 'fetch'>, path: string) {
  vi.stubGlobal('fetch', yard.fetch)
  let pathname = path
  function Pages() {
    pathname = useLocation().pathname
    return useRoutes(routes)
  }
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: 'always' } } })
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[path]}>
        <Pages />
      </MemoryRouter>
      <NoticeBoard />
    </QueryClientProvider>,
  )
  return {
    hands: userEvent.setup({ pointerEventsCheck: 0, delay: null }),
    at: () => pathname,
  }
}

/** Waits until the page stands, and all that was written down is with the yard. */
export async function allSaved(): Promise<void> {
  await waitFor(() => {
    expect(document.body.textContent).not.toContain('Opening')
    expect(screen.getAllByRole('status')[0]?.textContent).toContain('saved')
  })
}
