import type { JournalEntry } from '@tidy-badger/core/jobs'
import { v4 as uuid } from 'uuid'
import { useStore } from 'zustand'
import { getKept } from '../platform/api/kept.ts'
import { ask, jsonOf, postJson, putBytes } from '../platform/api/http.ts'
import { usePreferences } from '../platform/preferences.ts'
import type { JobWithDossiers } from './api.ts'
import { createJournalStore, steadyEntries } from './createJournalStore.ts'
import { journalKeep } from './journalKeep.ts'
import { withSharedDossiers } from './sharedDossiers.ts'
import type { JournalHttp, JournalState } from './journalModel.ts'

export type { AppendResult } from './createJournalStore.ts'
export type { UnsentBatch } from './journalModel.ts'

const http: JournalHttp = {
  job: async (id) => withSharedDossiers(await getKept<JobWithDossiers>(`/api/jobs/${id}`)),
  async journal(id, after) {
    const answer = await ask(`/api/jobs/${id}/journal?after=${after}`)
    const { head, entries } = await jsonOf<{ head: number; entries: JournalEntry[] }>(answer)
    return { head, entries, yard: answer.headers.get('yard'), dossiers: answer.headers.get('dossiers') }
  },
  append: (id, body) => postJson(`/api/jobs/${id}/journal`, body),
  putBytes,
}

const channel = new BroadcastChannel('tidy-badger-journal')

const journal = createJournalStore({
  http,
  store: journalKeep,
  now: () => Date.now(),
  id: uuid,
  writer: () => usePreferences.getState(),
  later(ms, call) {
    const timer = setTimeout(call, ms)
    return () => clearTimeout(timer)
  },
  tell: (job) => channel.postMessage(job),
})
channel.onmessage = ({ data }) => {
  if (data === journal.state.getState().jobId) void journal.reload(data)
}

/** What of the journal is shown. */
export const shownEntries = steadyEntries()

export const { open: openJournal, append, sync, sendAgain, discard } = journal

/** The open job, as much of it as is asked for. */
export function useJournal<T>(select: (state: JournalState) => T): T {
  return useStore(journal.state, select)
}

const closedUnpaired = 4401

/** Listens for news of the open job: a socket while it holds, asking now and then when it does not. @returns stop */
export function listen(jobId: string): () => void {
  const { getState, setState } = journal.state
  let stopped = false
  let socket: WebSocket | null = null
  let retry: ReturnType<typeof setTimeout> | undefined
  const connect = () => {
    clearTimeout(retry)
    if (stopped || !navigator.onLine) return
    socket = new WebSocket(`${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/live?job=${jobId}`)
    socket.onmessage = () => void sync()
    socket.onclose = (event) => {
      if (event.code === closedUnpaired) setState({ link: 'unpaired' })
      if (!stopped) retry = setTimeout(connect, 10_000)
    }
  }
  const wake = () => {
    void sync()
    if (!socket || socket.readyState === WebSocket.CLOSED) connect()
  }
  const fall = () => setState({ link: 'down' })
  // What the job shows comes first.
  retry = setTimeout(connect)
  const beat = setInterval(() => void sync(), getState().link === 'down' ? 4_000 : 8_000)
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
