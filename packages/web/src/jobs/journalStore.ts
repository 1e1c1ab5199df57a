import { planAppend, type EntryBody, type JobDossiers, type JournalEntry, type NewEntry } from '@tidy-badger/core/jobs'
import { v4 as uuid } from 'uuid'
import { create } from 'zustand'
import { putBytes, Refused, Unreachable } from '../platform/api/http.ts'
import { usePreferences } from '../platform/preferences.ts'
import { deviceStore, type Unsent } from '../platform/storage/deviceStore.ts'
import { fetchJob, fetchJournal, sendEntries, type JobWithDossiers } from './api.ts'

export interface UnsentBatch {
  key: number
  base: number
  entries: NewEntry[]
  state: Unsent['state']
  problems: Unsent['problems']
}

interface JournalState {
  jobId: string | null
  job: JobWithDossiers | null
  entries: JournalEntry[]
  head: number
  unsent: UnsentBatch[]
  link: 'up' | 'down'
  failure: string | null
}

/** The open job: what the server has, and what this device has not sent yet. */
export const useJournal = create<JournalState>()(() => ({
  jobId: null,
  job: null,
  entries: [],
  head: 0,
  unsent: [],
  link: 'up',
  failure: null,
}))

const get = useJournal.getState
const set = useJournal.setState

/** Opens a job: first what this device remembers, then what the server has. */
export async function openJournal(jobId: string): Promise<void> {
  set({ jobId, job: null, entries: [], head: 0, unsent: [], failure: null })
  const store = await deviceStore()
  const kept = await store.get('journals', jobId)
  const unsent = await readUnsent(jobId)
  if (get().jobId !== jobId) return
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- written by keepJournal alone
  if (kept) set({ entries: kept.entries as JournalEntry[], head: kept.head })
  set({ unsent })
  try {
    const job = await fetchJob(jobId)
    await sync()
    if (get().jobId === jobId) set({ job })
  } catch (error) {
    if (get().jobId === jobId) set({ failure: error instanceof Error ? error.message : 'The job cannot be shown.' })
  }
}

async function readUnsent(jobId: string): Promise<UnsentBatch[]> {
  const store = await deviceStore()
  const rows = await store.getAllFromIndex('unsent', 'job', jobId)
  return rows.flatMap(({ key, base, entries, state, problems }) => {
    if (key === undefined) return []
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- written by append alone
    return [{ key, base, entries: entries as NewEntry[], state, problems }]
  })
}

/** Entries as the person sees them: the server's, then those that wait here. Refused ones do not count. */
export function entriesShown(state: Pick<JournalState, 'entries' | 'unsent' | 'head'>): JournalEntry[] {
  const known = new Set(state.entries.map((entry) => entry.id))
  let seq = state.head
  const waiting = state.unsent
    .filter((batch) => batch.state === 'waiting')
    .flatMap((batch) => batch.entries)
    .filter((entry) => !known.has(entry.id))
    .map((entry): JournalEntry => ({ ...entry, seq: ++seq, receivedAt: entry.at ?? '', v: 1 }))
  return waiting.length > 0 ? [...state.entries, ...waiting] : state.entries
}

export type AppendResult = { ok: true; ids: string[] } | { ok: false; message: string; dependents: string[] }

/**
 * Writes entries down: checked by the laws of the journal, kept on this device, shown, then sent.
 * Resolves when they are kept here, not when they are sent.
 */
export async function append(dossiers: JobDossiers, bodies: readonly EntryBody[]): Promise<AppendResult> {
  const { jobId, head } = get()
  if (jobId === null) throw new Error('jobs: no job is open')
  const { person, device } = usePreferences.getState()
  const at = new Date().toISOString()
  const entries = bodies.map((body): NewEntry => ({
    id: uuid(),
    at,
    device,
    ...(person ? { by: person } : {}),
    ...body,
  }))
  const plan = planAppend(dossiers, entriesShown(get()), entries)
  if (plan.kind !== 'append') {
    const dependents = plan.kind === 'conflict' ? (plan.problems[0].dependents ?? []) : []
    return { ok: false, message: plan.problems.map((problem) => problem.message).join(' '), dependents }
  }
  const store = await deviceStore()
  const batch = { job: jobId, entries, base: head, state: 'waiting' as const, problems: [] }
  const key = await store.add('unsent', batch)
  if (get().jobId === jobId) set((state) => ({ unsent: [...state.unsent, { ...batch, key }] }))
  void sync()
  return { ok: true, ids: entries.map((entry) => entry.id) }
}

let running: Promise<void> | null = null
let again = false

/** Sends what waits, in order, then fetches what is new. One run at a time. */
export function sync(): Promise<void> {
  if (running) {
    again = true
    return running
  }
  running = syncOnce().finally(() => {
    running = null
    if (again) {
      again = false
      void sync()
    }
  })
  return running
}

async function syncOnce(): Promise<void> {
  const { jobId } = get()
  if (jobId === null) return
  try {
    for (;;) {
      const batch = get().unsent.find((candidate) => candidate.state === 'waiting')
      if (!batch || get().jobId !== jobId) break
      await sendBatch(jobId, batch)
    }
    await pull(jobId)
    if (get().jobId === jobId) set({ link: 'up' })
  } catch (error) {
    if (get().jobId !== jobId) return
    if (error instanceof Unreachable) set({ link: 'down' })
    else set({ failure: error instanceof Error ? error.message : 'The journal cannot be read.' })
  }
}

async function sendBatch(jobId: string, batch: UnsentBatch): Promise<void> {
  const store = await deviceStore()
  try {
    for (const entry of batch.entries) {
      if (entry.kind === 'log-imported') {
        const bytes = await store.get('logs', entry.log)
        if (bytes) await putBytes(`/api/logs/${entry.log}`, bytes)
      } else if (entry.kind === 'photo') {
        const bytes = await store.get('photos', entry.photo)
        if (bytes) await putBytes(`/api/photos/${entry.photo}`, bytes)
      }
    }
    await sendEntries(jobId, batch.base, batch.entries)
    await pull(jobId)
    await store.delete('unsent', batch.key)
    for (const entry of batch.entries) if (entry.kind === 'photo') await store.delete('photos', entry.photo)
    set((state) => ({ unsent: state.unsent.filter((other) => other.key !== batch.key) }))
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    const problems = error.problems.map(({ code, message }) => ({ code, message }))
    await store.put('unsent', {
      job: jobId,
      entries: batch.entries,
      base: batch.base,
      key: batch.key,
      state: 'refused',
      problems,
    })
    set((state) => ({
      unsent: state.unsent.map((other) => (other.key === batch.key ? { ...other, state: 'refused', problems } : other)),
    }))
  }
}

async function pull(jobId: string): Promise<void> {
  const { head } = get()
  const news = await fetchJournal(jobId, head)
  if (get().jobId !== jobId) return
  if (news.head < head) {
    const whole = await fetchJournal(jobId, 0)
    set({ entries: whole.entries, head: whole.head })
  } else if (news.entries.length > 0)
    set((state) => {
      const known = new Set(state.entries.map((entry) => entry.id))
      return { entries: [...state.entries, ...news.entries.filter((entry) => !known.has(entry.id))], head: news.head }
    })
  else return
  const store = await deviceStore()
  await store.put('journals', { head: get().head, entries: get().entries }, jobId)
}

/** Puts a refused batch aside for good. */
export async function discardRefused(key: number): Promise<void> {
  const store = await deviceStore()
  await store.delete('unsent', key)
  set((state) => ({ unsent: state.unsent.filter((batch) => batch.key !== key) }))
}

/** Listens for news of the open job: a socket while it holds, asking now and then when it does not. @returns stop */
export function listen(jobId: string): () => void {
  let stopped = false
  let socket: WebSocket | null = null
  let retry: ReturnType<typeof setTimeout> | undefined
  const connect = () => {
    if (stopped || !navigator.onLine) return
    socket = new WebSocket(`${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/live?job=${jobId}`)
    socket.onmessage = () => void sync()
    socket.onclose = () => {
      if (!stopped) retry = setTimeout(connect, 10_000)
    }
  }
  const wake = () => {
    void sync()
    if (!socket || socket.readyState === WebSocket.CLOSED) connect()
  }
  const fall = () => set({ link: 'down' })
  connect()
  const beat = setInterval(() => void sync(), get().link === 'down' ? 4_000 : 8_000)
  window.addEventListener('online', wake)
  window.addEventListener('offline', fall)
  return () => {
    stopped = true
    clearTimeout(retry)
    clearInterval(beat)
    window.removeEventListener('online', wake)
    window.removeEventListener('offline', fall)
    socket?.close()
  }
}
