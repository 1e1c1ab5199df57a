import 'fake-indexeddb/auto'
import { describe, expect, test } from 'vitest'
import { journalKeep } from './journalKeep.ts'
import type { UnsentBatch } from './journalModel.ts'

const batch = (text: string): Omit<UnsentBatch, 'key'> => ({
  base: 3,
  entries: [{ id: text, kind: 'note', text }],
  state: 'waiting',
  problems: [],
  tries: 0,
  notBefore: 0,
  again: false,
})

describe('what waits on the device', () => {
  test('comes back in the order it was made, job by job', async () => {
    await journalKeep.addUnsent('a', batch('1'))
    await journalKeep.addUnsent('b', batch('other'))
    await journalKeep.addUnsent('a', batch('2'))
    expect((await journalKeep.readUnsent('a')).map((row) => row.entries[0]?.id)).toEqual(['1', '2'])
  })

  test('keeps what became of it', async () => {
    const key = await journalKeep.addUnsent('c', batch('x'))
    await journalKeep.changeUnsent('c', {
      ...batch('x'),
      key,
      tries: 2,
      notBefore: 99,
      problems: [{ code: 'internal', message: 'full' }],
    })
    expect(await journalKeep.readUnsent('c')).toMatchObject([
      { key, tries: 2, notBefore: 99, problems: [{ code: 'internal' }] },
    ])
  })

  test('stays gone once another tab has sent it', async () => {
    const key = await journalKeep.addUnsent('d', batch('x'))
    await journalKeep.dropUnsent(key)
    await journalKeep.changeUnsent('d', { ...batch('x'), key, tries: 1 })
    expect(await journalKeep.readUnsent('d')).toEqual([])
  })

  test('as an earlier version kept it is read as never tried', async () => {
    const { deviceStore } = await import('../platform/storage/deviceStore.ts')
    await (await deviceStore()).add('unsent', { job: 'e', base: 0, entries: [], state: 'waiting', problems: [] })
    expect(await journalKeep.readUnsent('e')).toMatchObject([{ tries: 0, notBefore: 0, again: false }])
  })

  test('decisions in their older form are read in today’s, sent or not', async () => {
    const { deviceStore } = await import('../platform/storage/deviceStore.ts')
    const choice = { id: 'x', kind: 'choice', choice: 'people', value: '2', replaces: null }
    const chosen = { id: 'x', kind: 'people-chosen', value: 2, replaces: null }
    await (await deviceStore()).add('unsent', { job: 'g', base: 0, entries: [choice], state: 'waiting', problems: [] })
    expect((await journalKeep.readUnsent('g'))[0]?.entries).toEqual([chosen])
    const stamped = { ...choice, seq: 1, receivedAt: '2026-06-01T08:00:00.000Z', v: 2 }
    await (await deviceStore()).put('journals', { head: 1, entries: [stamped] }, 'g')
    expect((await journalKeep.readJournal('g'))?.entries).toMatchObject([{ ...chosen, seq: 1, v: 3 }])
  })

  test('a journal without the name of its store is one of before', async () => {
    const { deviceStore } = await import('../platform/storage/deviceStore.ts')
    await (await deviceStore()).put('journals', { head: 2, entries: [] }, 'f')
    expect(await journalKeep.readJournal('f')).toEqual({ head: 2, entries: [], yard: null })
    expect(await journalKeep.readJournal('nobody')).toBeNull()
  })
})
