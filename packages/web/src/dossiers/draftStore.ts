import { parseMachine, type Machine } from '@tidy-badger/core/dossiers'
import { v4 as newId } from 'uuid'
import { create } from 'zustand'
import { Refused, Unreachable } from '../platform/api/http.ts'
import { fetchDraft, saveDraft } from './api.ts'

interface DraftState {
  id: string | null
  machine: Machine | null
  /** Revision the document was made on; null: the server has none yet. */
  base: number | null
  /** Where the last change is by now. */
  saved: 'saved' | 'saving' | 'kept here'
  /** Somebody else saved this draft in between: what the server says of it. */
  conflict: string | null
  failure: string | null
}

const empty: DraftState = { id: null, machine: null, base: null, saved: 'saved', conflict: null, failure: null }

export const useDraft = create<DraftState>()(() => empty)

interface Kept {
  base: number | null
  machine: Machine
}

const keyOf = (id: string) => `tidy-badger-draft-${id}`
const tryAgainMs = 3000
let timer: ReturnType<typeof setTimeout> | undefined
let sending = false

/** Opens a draft: what is kept on this device and not yet sent goes before what the server has. */
export async function openDraft(id: string): Promise<void> {
  clearTimeout(timer)
  useDraft.setState({ ...empty, id })
  const kept = readKept(id)
  if (kept) {
    useDraft.setState({ ...kept, saved: 'kept here' })
    void send(id)
    return
  }
  await takeTheirs(id)
}

/** Shows what the server has, in place of what is here. */
export async function takeTheirs(id: string): Promise<void> {
  try {
    const { document, revision } = await fetchDraft(id)
    forgetKept(id)
    if (isOpen(id))
      useDraft.setState({ machine: document, base: revision, saved: 'saved', conflict: null, failure: null })
  } catch (error) {
    if (isOpen(id)) useDraft.setState({ failure: error instanceof Error ? error.message : String(error) })
  }
}

/** Saves what is here over what the server has. */
export async function keepMine(id: string): Promise<void> {
  const theirs = await fetchDraft(id).catch(() => null)
  if (!isOpen(id)) return
  useDraft.setState({ base: theirs?.revision ?? null, conflict: null })
  await send(id)
}

/** Saves what is here as a draft of its own; the other one stays as it is. @returns its id */
export async function saveAside(): Promise<string | null> {
  const { id, machine } = useDraft.getState()
  if (!id || !machine) return null
  const own = newId()
  await saveDraft(own, machine, null)
  forgetKept(id)
  return own
}

/** Changes the document: on this device at once, on the server soon after. */
export function changeDraft(change: (machine: Machine) => Machine): void {
  const { id, machine, base, conflict } = useDraft.getState()
  if (!id || !machine) return
  const next = change(machine)
  useDraft.setState({ machine: next, saved: conflict === null ? 'saving' : 'kept here' })
  keepHere(id, { base, machine: next })
  if (conflict !== null) return
  clearTimeout(timer)
  timer = setTimeout(() => void send(id), 500)
}

async function send(id: string): Promise<void> {
  const { machine, base, conflict } = useDraft.getState()
  if (!isOpen(id) || !machine || conflict !== null) return
  if (sending) {
    timer = setTimeout(() => void send(id), 100)
    return
  }
  sending = true
  try {
    const { revision } = await saveDraft(id, machine, base)
    if (!isOpen(id)) return
    useDraft.setState({ base: revision, failure: null })
    if (useDraft.getState().machine !== machine) return
    forgetKept(id)
    useDraft.setState({ saved: 'saved' })
  } catch (error) {
    if (!isOpen(id)) return
    useDraft.setState({ saved: 'kept here' })
    if (error instanceof Refused && error.status === 409) useDraft.setState({ conflict: error.message })
    else if (error instanceof Unreachable || (error instanceof Refused && error.status >= 500))
      timer = setTimeout(() => void send(id), tryAgainMs)
    else if (error instanceof Refused) useDraft.setState({ failure: error.message })
  } finally {
    sending = false
  }
}

const isOpen = (id: string) => useDraft.getState().id === id

export function forgetKept(id: string): void {
  clearTimeout(timer)
  localStorage.removeItem(keyOf(id))
}

function keepHere(id: string, kept: Kept): void {
  localStorage.setItem(keyOf(id), JSON.stringify(kept))
}

function readKept(id: string): Kept | null {
  const text = localStorage.getItem(keyOf(id))
  if (text === null) return null
  const kept: unknown = JSON.parse(text)
  const { base = null, machine = kept } = { ...Object(kept) }
  const parsed = parseMachine(machine)
  return parsed.ok ? { base: typeof base === 'number' ? base : null, machine: parsed.value } : null
}
