import { parseMachine, type Machine } from '@tidy-badger/core/dossiers'
import { create } from 'zustand'
import { Refused, Unreachable } from '../platform/api/http.ts'
import { fetchDraft, saveDraft } from './api.ts'

interface DraftState {
  id: string | null
  machine: Machine | null
  /** Where the last change is by now. */
  saved: 'saved' | 'saving' | 'kept here'
  failure: string | null
}

export const useDraft = create<DraftState>()(() => ({ id: null, machine: null, saved: 'saved', failure: null }))

const keyOf = (id: string) => `tidy-badger-draft-${id}`
let timer: ReturnType<typeof setTimeout> | undefined

/** Opens a draft: what is kept on this device and not yet sent goes before what the server has. */
export async function openDraft(id: string): Promise<void> {
  useDraft.setState({ id, machine: null, saved: 'saved', failure: null })
  const kept = readKept(id)
  if (kept) {
    useDraft.setState({ machine: kept, saved: 'kept here' })
    void send(id, kept)
    return
  }
  try {
    const { document } = await fetchDraft(id)
    if (useDraft.getState().id === id) useDraft.setState({ machine: document })
  } catch (error) {
    if (useDraft.getState().id === id)
      useDraft.setState({ failure: error instanceof Error ? error.message : String(error) })
  }
}

/** Changes the document: on this device at once, on the server soon after. */
export function changeDraft(change: (machine: Machine) => Machine): void {
  const { id, machine } = useDraft.getState()
  if (!id || !machine) return
  const next = change(machine)
  useDraft.setState({ machine: next, saved: 'saving' })
  localStorage.setItem(keyOf(id), JSON.stringify(next))
  clearTimeout(timer)
  timer = setTimeout(() => void send(id, next), 500)
}

async function send(id: string, machine: Machine): Promise<void> {
  try {
    await saveDraft(id, machine)
    if (localStorage.getItem(keyOf(id)) === JSON.stringify(machine)) localStorage.removeItem(keyOf(id))
    if (useDraft.getState().machine === machine) useDraft.setState({ saved: 'saved' })
  } catch (error) {
    useDraft.setState({ saved: 'kept here' })
    if (error instanceof Unreachable) timer = setTimeout(() => void send(id, machine), 3000)
    else if (error instanceof Refused) useDraft.setState({ failure: error.message })
  }
}

export function forgetKept(id: string): void {
  clearTimeout(timer)
  localStorage.removeItem(keyOf(id))
}

function readKept(id: string): Machine | null {
  const text = localStorage.getItem(keyOf(id))
  if (text === null) return null
  const parsed = parseMachine(JSON.parse(text))
  return parsed.ok ? parsed.value : null
}
