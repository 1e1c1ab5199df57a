import { asId } from '@tidy-badger/core/shared'
import { blankMachine, type Machine, type MachineId } from '@tidy-badger/core/dossiers'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import type * as DraftStore from './draftStore.ts'

/** A server with one draft, and a device with its storage. */
let kept: Map<string, string>
let draft: { document: Machine; revision: number } | null
let up: boolean
let store: typeof DraftStore

beforeEach(async () => {
  kept = new Map()
  draft = { document: blankMachine(asId<MachineId>('m'), 'Hut', 'Mule'), revision: 1 }
  up = true
  vi.useFakeTimers()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  vi.stubGlobal('fetch', async (path: string, init?: { method?: string; body?: string }) => {
    if (!up) throw new TypeError('network')
    if (init?.method !== 'PUT')
      return draft ? Response.json(draft) : Response.json([{ code: 'not-found', message: 'gone' }], { status: 404 })
    const base = Number(new URL(path, 'http://x').searchParams.get('base') ?? 0)
    if (base !== (draft?.revision ?? 0))
      return Response.json([{ code: 'draft-conflict', path: '', message: 'Tomas saved this draft in between.' }], {
        status: 409,
      })
    draft = { document: JSON.parse(init.body ?? ''), revision: base + 1 }
    return Response.json({ id: 'd', revision: draft.revision })
  })
  vi.resetModules()
  store = await import('./draftStore.ts')
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const rename = (model: string) => store.changeMachine((machine) => ({ ...machine, model }))
const settle = () => vi.advanceTimersByTimeAsync(4000)
const state = () => store.useDraft.getState()

describe('a draft', () => {
  test('is saved on the revision it was read in, again and again', async () => {
    await store.openDraft('d')
    rename('A')
    expect(state().saved).toBe('saving')
    await settle()
    rename('B')
    await settle()
    expect(draft).toMatchObject({ revision: 3, document: { model: 'B' } })
    expect(state()).toMatchObject({ saved: 'saved', base: 3, conflict: null })
    expect(kept.size).toBe(0)
  })

  test('rests once what is on its way has come, and sends nothing after: it may be published then', async () => {
    await store.openDraft('d')
    rename('A')
    vi.advanceTimersByTime(500)
    rename('B')
    let rests = false
    const resting = store.draftRests().then(() => (rests = true))
    await vi.advanceTimersByTimeAsync(0)
    await resting
    expect([rests, draft?.revision, draft?.document.model]).toEqual([true, 2, 'A'])
    draft = null
    await settle()
    expect(state().conflict).toBeNull()
  })

  test('is kept here while nobody answers, over a reload too, and sent then', async () => {
    await store.openDraft('d')
    up = false
    rename('A')
    await settle()
    expect(state().saved).toBe('kept here')
    vi.resetModules()
    store = await import('./draftStore.ts')
    up = true
    await store.openDraft('d')
    await settle()
    expect(draft).toMatchObject({ revision: 2, document: { model: 'A' } })
  })

  test('that somebody else saved is not overwritten: theirs, mine, or aside', async () => {
    await store.openDraft('d')
    draft = { document: blankMachine(asId<MachineId>('m'), 'Hut', 'Theirs'), revision: 2 }
    rename('Mine')
    await settle()
    expect(state().conflict).toContain('Tomas saved')
    rename('Mine still')
    await settle()
    expect(draft).toMatchObject({ revision: 2, document: { model: 'Theirs' } })

    await store.keepMine('d')
    await settle()
    expect(draft).toMatchObject({ revision: 3, document: { model: 'Mine still' } })
    expect(state().conflict).toBeNull()

    draft = { document: blankMachine(asId<MachineId>('m'), 'Hut', 'Theirs again'), revision: 4 }
    rename('Mine')
    await settle()
    await store.takeTheirs('d')
    expect(state()).toMatchObject({ document: { model: 'Theirs again' }, base: 4, conflict: null })
    expect(kept.size).toBe(0)
  })
})
