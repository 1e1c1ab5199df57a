import { editedAs, readDraft, withEdited, withoutGone, type Documents } from '@tidy-badger/core/dossier-writing'
import type { Dossier, VariantId } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { v4 as newId } from 'uuid'
import { create } from 'zustand'
import { Refused, Unreachable } from '../platform/api/http.ts'
import { fetchDraft, saveDraft } from './api.ts'

interface DraftState {
  id: string | null
  document: Dossier | null
  /** Revision the document was made on; null: the server has none yet. */
  base: number | null
  /** Variant of the machine that is written on; null: the machine itself. */
  variant: VariantId | null
  /** Where the last change is by now. */
  saved: 'saved' | 'saving' | 'kept here'
  /** Somebody else saved this draft in between: what the server says of it. */
  conflict: string | null
  failure: string | null
}

const empty: DraftState = {
  id: null,
  document: null,
  variant: null,
  base: null,
  saved: 'saved',
  conflict: null,
  failure: null,
}

export const useDraft = create<DraftState>()(() => empty)

interface Kept {
  base: number | null
  document: Dossier
}

const keyOf = (id: string) => `tidy-badger-draft-${id}`
const tryAgainMs = 3000
let timer: ReturnType<typeof setTimeout> | undefined
let sending = false
/** The save that is on its way; settles however it ends. */
let onItsWay: Promise<unknown> = Promise.resolve()

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
      useDraft.setState({ document, base: revision, variant: null, saved: 'saved', conflict: null, failure: null })
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
  const { id, document } = useDraft.getState()
  if (!id || !document) return null
  const own = newId()
  await saveDraft(own, document, null)
  forgetKept(id)
  return own
}

/** Changes the document that is open: on this device at once, on the server soon after. */
function changeTo(made: Dossier): void {
  const { id, base, conflict } = useDraft.getState()
  if (!id) return
  const next = withoutGone(made)
  useDraft.setState({ document: next, saved: conflict === null ? 'saving' : 'kept here' })
  keepHere(id, { base, document: next })
  if (conflict !== null) return
  clearTimeout(timer)
  timer = setTimeout(() => void send(id), 500)
}

/** Changes the machine that is open, or the variant of it that is written on. */
export function changeMachine(change: (machine: Documents['machine']) => Documents['machine']): void {
  const { document, variant } = useDraft.getState()
  if (document?.kind === 'machine') changeTo(withEdited(document, variant, change(editedAs(document, variant))))
}

/** Changes the document that is open, whatever kind it is; what is said of all its variants alike. */
export function changeDocument(change: <D extends Documents[keyof Documents]>(document: D) => D): void {
  const { document } = useDraft.getState()
  if (document) changeTo(change(document))
}

/** Changes the kit that is open. */
export function changeKit(change: (kit: Documents['kit']) => Documents['kit']): void {
  const { document } = useDraft.getState()
  if (document?.kind === 'kit') changeTo(change(document))
}

/** How a document of a kind that is written is read and changed. */
export interface Drafting<Document> {
  /** As it stands now; null where another kind is open. */
  now: () => Document | null
  change: (change: (document: Document) => Document) => void
}

/** Keeps what is made of the document as it stands now, if it can be made. @param shown where another kind is open by now */
export function keepMade<Document>(
  { now, change }: Drafting<Document>,
  shown: Document,
  make: (document: Document) => Outcome<Document>,
): Outcome<Document> {
  const made = make(now() ?? shown)
  if (made.ok) change(() => made.value)
  return made
}

export const machineDrafting: Drafting<Documents['machine']> = {
  now: () => {
    const { document, variant } = useDraft.getState()
    return document?.kind === 'machine' ? editedAs(document, variant) : null
  },
  change: changeMachine,
}

export const kitDrafting: Drafting<Documents['kit']> = {
  now: () => {
    const { document } = useDraft.getState()
    return document?.kind === 'kit' ? document : null
  },
  change: changeKit,
}

/** Goes on writing on a variant of the machine, or on the machine itself. */
export function writeOn(variant: VariantId | null): void {
  useDraft.setState({ variant })
}

async function send(id: string): Promise<void> {
  const { document, base, conflict } = useDraft.getState()
  if (!isOpen(id) || !document || conflict !== null) return
  if (sending) {
    timer = setTimeout(() => void send(id), 100)
    return
  }
  sending = true
  try {
    const saving = saveDraft(id, document, base)
    onItsWay = saving.catch(() => undefined)
    const { revision } = await saving
    if (!isOpen(id)) return
    useDraft.setState({ base: revision, failure: null })
    if (useDraft.getState().document !== document) return
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

/** Nothing of the draft is on its way to the server any more, and nothing follows: it may be published or thrown away. */
export async function draftRests(): Promise<void> {
  clearTimeout(timer)
  await onItsWay
}

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
  // Before kits were written, a kept draft was a machine under that name, and at first the machine alone.
  const { base = null, document, machine = kept } = { ...Object(kept) }
  // What contradicts itself was typed all the same, and is not lost.
  const draft = readDraft(document ?? machine)
  return draft ? { base: typeof base === 'number' ? base : null, document: draft } : null
}
