import type { JobWithDossiers } from './api.ts'
import {
  type EntryBody,
  entryVersion,
  type JobDossiers,
  type JournalEntry,
  type NewEntry,
  planAppend,
} from '@tidy-badger/core/jobs'
import { sameValue } from '@tidy-badger/core/shared'
import { createStore } from 'zustand'
import { Refused, Unreachable } from '../platform/api/http.ts'
import type { JournalDeps, JournalState, UnsentBatch } from './journalModel.ts'

export type AppendResult = { ok: true; ids: string[] } | { ok: false; message: string; dependents: string[] }

/** The journal's own refusals; everything else passes, and is tried again. */
const refusals: readonly number[] = [409, 422, 413]
/** Waits between tries: doubled each time, up to this, ms. */
const firstWaitMs = 2_000
const longestWaitMs = 5 * 60_000
/** Entries of a restored yard sent again in one batch. */
const againAtOnce = 500

const nothing: JournalState = {
  jobId: null,
  job: null,
  entries: [],
  head: 0,
  yard: null,
  unsent: [],
  writing: 0,
  link: 'up',
  failure: null,
}

/** The open job: what the server has, and what this device has not sent yet. */
export function createJournalStore({ http, store, now, id: newId, writer, later, tell }: JournalDeps) {
  const state = createStore<JournalState>()(() => nothing)
  const get = state.getState
  const set = state.setState
  const isOpen = (jobId: string) => get().jobId === jobId
  let cancelWait = () => {}

  /** Opens a job: first what this device remembers, then what the server has. */
  async function open(jobId: string): Promise<void> {
    cancelWait()
    opening++
    set({ ...nothing, jobId })
    await reload(jobId)
    if (!isOpen(jobId)) return
    try {
      const job = await http.job(jobId)
      await sync()
      if (isOpen(jobId) && get().job === null) set({ job })
    } catch (error) {
      if (!isOpen(jobId)) return
      if (isUnpaired(error)) set({ link: 'unpaired' })
      set({ failure: messageOf(error, 'The job cannot be shown.') })
    }
  }

  /** Reads what this device keeps, after another tab changed it. */
  async function reload(jobId: string): Promise<void> {
    const [kept, unsent] = [await store.readJournal(jobId), await store.readUnsent(jobId)]
    if (!isOpen(jobId)) return
    set({ unsent })
    if (kept && kept.head >= get().head) set({ entries: kept.entries, head: kept.head, yard: kept.yard })
  }

  /**
   * Writes entries down: checked by the laws of the journal, kept on this device, shown, then sent.
   * Resolves when they are kept here, not when they are sent.
   */
  async function append(dossiers: JobDossiers, bodies: readonly EntryBody[]): Promise<AppendResult> {
    const { jobId, head } = get()
    if (jobId === null) throw new Error('jobs: no job is open')
    const { person, device } = writer()
    const at = new Date(now()).toISOString()
    const entries = bodies.map((body): NewEntry => ({
      id: newId(),
      at,
      device,
      ...(person ? { by: person } : {}),
      ...body,
    }))
    const plan = planAppend(dossiers, entriesShown(get()), entries)
    if (plan.kind !== 'append') {
      const dependents = plan.kind === 'conflict' ? (plan.problems[0]?.dependents ?? []) : []
      return { ok: false, message: plan.problems.map((problem) => problem.message).join(' '), dependents }
    }
    set(({ writing }) => ({ writing: writing + 1 }))
    try {
      await keep(jobId, { ...fresh, base: head, entries })
    } finally {
      if (isOpen(jobId)) set(({ writing }) => ({ writing: Math.max(0, writing - 1) }))
    }
    void sync()
    return { ok: true, ids: entries.map((entry) => entry.id) }
  }

  async function keep(jobId: string, batch: Omit<UnsentBatch, 'key'>): Promise<void> {
    const key = await store.addUnsent(jobId, batch)
    if (isOpen(jobId)) set(({ unsent }) => ({ unsent: [...unsent, { ...batch, key }] }))
    tell(jobId)
  }

  async function change(jobId: string, batch: UnsentBatch): Promise<void> {
    await store.changeUnsent(jobId, batch)
    set(({ unsent }) => ({ unsent: unsent.map((other) => (other.key === batch.key ? batch : other)) }))
    tell(jobId)
  }

  async function drop(jobId: string, key: number): Promise<void> {
    await store.dropUnsent(key)
    set(({ unsent }) => ({ unsent: unsent.filter((batch) => batch.key !== key) }))
    tell(jobId)
  }

  let opening = 0
  let running: { opening: number; once: boolean; done: Promise<void> } | null = null

  /** Sends what waits, in order, then fetches what is new. One run at a time; what still waits for a job that was left holds up no other. */
  function sync(): Promise<void> {
    if (running?.opening === opening) {
      running.once = true
      return running.done
    }
    const run = { opening, once: false, done: Promise.resolve() }
    running = run
    run.done = syncOnce().finally(() => {
      if (running !== run) return
      running = null
      if (run.once) void sync()
    })
    return run.done
  }

  async function syncOnce(): Promise<void> {
    const { jobId } = get()
    if (jobId === null) return
    cancelWait()
    try {
      for (;;) {
        // In the order they were made: what comes later may stand on what waits.
        const batch = get().unsent.find((candidate) => candidate.state === 'waiting')
        if (!batch || !isOpen(jobId)) break
        const wait = batch.notBefore - now()
        if (wait > 0) {
          cancelWait = later(wait, () => void sync())
          break
        }
        if (!(await send(jobId, batch))) break
      }
      await pull(jobId)
      if (isOpen(jobId)) set({ link: 'up', failure: null })
    } catch (error) {
      if (!isOpen(jobId)) return
      if (error instanceof Unreachable) set({ link: 'down' })
      else if (isUnpaired(error)) set({ link: 'unpaired' })
      else set({ failure: messageOf(error, 'The journal cannot be read.') })
    }
  }

  /** @returns whether the next one may be sent */
  async function send(jobId: string, batch: UnsentBatch): Promise<boolean> {
    try {
      for (const entry of batch.entries) {
        if (entry.kind === 'log-imported') await sendBytes('logs', entry.log)
        else if (entry.kind === 'photo') await sendBytes('photos', entry.photo)
      }
      const { base, entries, again } = batch
      await http.append(jobId, { base, entries, ...(again ? { again } : {}) })
      await pull(jobId)
      await drop(jobId, batch.key)
      for (const entry of batch.entries) if (entry.kind === 'photo') await store.dropPhoto(entry.photo)
      return true
    } catch (error) {
      if (!(error instanceof Refused) || error.status === 401) throw error
      const problems = error.problems.map(({ code, message }) => ({ code, message }))
      if (refusals.includes(error.status)) {
        await change(jobId, { ...batch, state: 'refused', problems })
        return true
      }
      const tries = batch.tries + 1
      const wait = Math.min(longestWaitMs, Math.max(firstWaitMs * 2 ** (tries - 1), (error.retryAfterS ?? 0) * 1000))
      await change(jobId, { ...batch, problems, tries, notBefore: now() + wait })
      return true
    }
  }

  async function sendBytes(kind: 'logs' | 'photos', hash: string): Promise<void> {
    const bytes = await store.readBytes(kind, hash)
    if (bytes) await http.putBytes(`/api/${kind}/${hash}`, bytes)
  }

  async function pull(jobId: string): Promise<void> {
    const { head, yard } = get()
    const news = await http.journal(jobId, head)
    if (!isOpen(jobId)) return
    const otherStore = yard !== null && news.yard !== null && yard !== news.yard
    if (otherStore || news.head < head) await takeRestored(jobId)
    else if (news.entries.length > 0 || (yard === null && news.yard !== null)) {
      const known = new Set(get().entries.map((entry) => entry.id))
      const added = news.entries.filter((entry) => !known.has(entry.id))
      await took(jobId, [...get().entries, ...added], news.head, news.yard)
    }
    const { job } = get()
    if (job && news.dossiers !== null && news.dossiers !== hashesOf(job)) {
      const changed = await http.job(jobId)
      if (isOpen(jobId)) set({ job: changed })
    }
  }

  async function took(jobId: string, entries: JournalEntry[], head: number, yard: string | null): Promise<void> {
    if (!isOpen(jobId)) return
    set({ entries, head, yard })
    await store.writeJournal(jobId, { head, entries, yard })
    tell(jobId)
  }

  /** The yard was restored: what this device knows and the yard does not is kept, and offered to be sent again. */
  async function takeRestored(jobId: string): Promise<void> {
    const before = get().entries
    const whole = await http.journal(jobId, 0)
    if (!isOpen(jobId)) return
    const there = new Set(
      [...whole.entries, ...get().unsent.flatMap((batch) => batch.entries)].map((entry) => entry.id),
    )
    const lost = before.filter((entry) => !there.has(entry.id)).map(withoutStamps)
    for (let from = 0; from < lost.length; from += againAtOnce)
      await keep(jobId, {
        ...fresh,
        base: whole.head,
        entries: lost.slice(from, from + againAtOnce),
        state: 'lost',
        again: true,
      })
    await took(jobId, whole.entries, whole.head, whole.yard)
  }

  /** Sends a batch again now, whatever became of it. */
  async function sendAgain(key: number): Promise<void> {
    const { jobId, unsent } = get()
    const batch = unsent.find((candidate) => candidate.key === key)
    if (jobId === null || !batch) return
    await change(jobId, { ...batch, state: 'waiting', problems: [], tries: 0, notBefore: 0 })
    await sync()
  }

  /** Puts a batch aside for good. */
  async function discard(key: number): Promise<void> {
    const { jobId } = get()
    if (jobId !== null) await drop(jobId, key)
    void sync()
  }

  return { state, open, reload, append, sync, sendAgain, discard }
}

const fresh: Omit<UnsentBatch, 'key' | 'base' | 'entries'> = {
  state: 'waiting',
  problems: [],
  tries: 0,
  notBefore: 0,
  again: false,
}

/** What of the journal is shown. */
type Shown = Pick<JournalState, 'entries' | 'unsent' | 'head'>

/** Entries as the person sees them: the server's, then those that wait here. Refused and lost ones do not count. */
export function entriesShown(state: Shown): JournalEntry[] {
  const known = new Set(state.entries.map((entry) => entry.id))
  let seq = state.head
  const waiting = state.unsent
    .filter((batch) => batch.state === 'waiting')
    .flatMap((batch) => batch.entries)
    .filter((entry) => !known.has(entry.id))
    .map((entry): JournalEntry => ({ ...entry, seq: ++seq, receivedAt: entry.at ?? '', v: entryVersion }))
  return waiting.length > 0 ? [...state.entries, ...waiting] : state.entries
}

/**
 * Entries as the person sees them, from what the store holds by and by. They are the same entries in the same list as before where all
 * that came is the yard's word that it has them: nothing that is shown hangs on it, and a tick is drawn once.
 */
export function steadyEntries(): (state: Shown) => JournalEntry[] {
  let of: Shown | null = null
  let shown: JournalEntry[] = []
  return (state) => {
    if (of && of.entries === state.entries && of.unsent === state.unsent && of.head === state.head) return shown
    of = state
    const now = entriesShown(state).map((entry, i) => {
      const before = shown[i]
      return before && sameButReceived(before, entry) ? before : entry
    })
    if (now.length !== shown.length || now.some((entry, i) => entry !== shown[i])) shown = now
    return shown
  }
}

function sameButReceived(before: JournalEntry, now: JournalEntry): boolean {
  return (
    before === now || (before.id === now.id && sameValue({ ...before, receivedAt: '' }, { ...now, receivedAt: '' }))
  )
}

function withoutStamps({ seq: _seq, receivedAt: _receivedAt, v: _v, ...entry }: JournalEntry): NewEntry {
  return entry
}

function isUnpaired(error: unknown): boolean {
  return error instanceof Refused && error.status === 401
}

function messageOf(error: unknown, otherwise: string): string {
  return error instanceof Error ? error.message : otherwise
}

/** Hashes of the documents a job works with, as the server names them beside its journal. */
function hashesOf({ machine, kit, kits }: JobWithDossiers): string {
  return [machine, ...(kits ?? [kit])].map(({ hash }) => hash).join(' ')
}
