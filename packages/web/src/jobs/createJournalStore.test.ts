import { gorseJob } from '../../../core/src/jobs/journalCase.ts'
import { entryVersion, type JournalEntry, type NewEntry } from '@tidy-badger/core/jobs'
import { beforeEach, describe, expect, test } from 'vitest'
import { Refused, Unreachable } from '../platform/api/http.ts'
import type { JobWithDossiers } from './api.ts'
import { createJournalStore, entriesShown, steadyEntries } from './createJournalStore.ts'
import type { JournalKeep, KeptJournal, UnsentBatch } from './journalModel.ts'

const job = { machine: { hash: 'm1' }, kit: { hash: 'k1' }, dossiers: gorseJob } as JobWithDossiers

/** A server that keeps a journal, and fails as it is told. */
function fakeServer() {
  let entries: JournalEntry[] = []
  const seen: string[][] = []
  return {
    yard: 'y1',
    dossiers: 'm1 k1',
    /** What the next appends are answered with instead. */
    failures: [] as Error[],
    seen,
    get entries() {
      return entries
    },
    restoreTo(count: number) {
      entries = entries.slice(0, count)
      this.yard = 'y2'
    },
    append(sent: readonly NewEntry[]) {
      seen.push(sent.map((entry) => entry.id))
      const failure = this.failures.shift()
      if (failure) throw failure
      for (const entry of sent)
        if (!entries.some((known) => known.id === entry.id))
          entries = [...entries, { ...entry, seq: entries.length + 1, receivedAt: 'now', v: entryVersion }]
    },
  }
}

/** What a device keeps, shared by its tabs. */
function fakeDevice(): JournalKeep & { rows: Map<number, UnsentBatch & { job: string }> } {
  const rows = new Map<number, UnsentBatch & { job: string }>()
  const journals = new Map<string, KeptJournal>()
  let key = 0
  return {
    rows,
    readJournal: async (id) => journals.get(id) ?? null,
    writeJournal: async (id, journal) => void journals.set(id, journal),
    readUnsent: async (id) =>
      [...rows.values()].filter((row) => row.job === id).map(({ job: _job, ...batch }) => batch),
    addUnsent: async (id, batch) => {
      rows.set(++key, { ...batch, key, job: id })
      return key
    },
    changeUnsent: async (id, batch) => void (rows.has(batch.key) && rows.set(batch.key, { ...batch, job: id })),
    dropUnsent: async (gone) => void rows.delete(gone),
    readBytes: async () => undefined,
    dropPhoto: async () => undefined,
  }
}

let server: ReturnType<typeof fakeServer>
let device: ReturnType<typeof fakeDevice>
let clock: number
let ids: number
let waiting: { at: number; call: () => void }[]
let tabs: { open: () => string | null; reload: (id: string) => Promise<void> }[]

beforeEach(() => {
  server = fakeServer()
  device = fakeDevice()
  clock = Date.UTC(2026, 5, 1)
  ids = 0
  waiting = []
  tabs = []
})

function tab(change: { link?: () => boolean; hangs?: (id: string) => boolean } = {}) {
  const up = () => {
    if (change.link?.() === false) throw new Unreachable()
  }
  const journal = createJournalStore({
    http: {
      job: async () => {
        up()
        return job
      },
      journal: async (id, after) => {
        up()
        if (change.hangs?.(id)) await new Promise(() => undefined)
        const { entries, yard, dossiers } = server
        return { head: entries.at(-1)?.seq ?? 0, entries: entries.filter((entry) => entry.seq > after), yard, dossiers }
      },
      append: async (_id, { entries }) => {
        up()
        server.append(entries)
      },
      putBytes: async () => undefined,
    },
    store: device,
    now: () => clock,
    id: () => `e${ids++}`,
    writer: () => ({ person: 'Runa', device: 'tablet' }),
    later: (ms, call) => {
      const item = { at: clock + ms, call }
      waiting.push(item)
      return () => (waiting = waiting.filter((other) => other !== item))
    },
    tell: (id) => {
      for (const other of tabs) if (other.reload !== journal.reload && other.open() === id) void other.reload(id)
    },
  })
  tabs.push({ open: () => journal.state.getState().jobId, reload: journal.reload })
  return journal
}
type Tab = ReturnType<typeof tab>

/** Lets everything that is under way come to rest. */
const settle = async (journal: Tab) => {
  for (let i = 0; i < 12; i++) await new Promise((done) => setTimeout(done, 0))
  await journal.sync()
}
/** Lets time pass, and whatever waited for it be done. */
async function pass(ms: number, journal: Tab): Promise<void> {
  clock += ms
  const due = waiting.filter((item) => item.at <= clock)
  waiting = waiting.filter((item) => item.at > clock)
  for (const { call } of due) call()
  await settle(journal)
}
const note = (text: string) => ({ kind: 'note' as const, text })
async function opened(change = {}): Promise<Tab> {
  const journal = tab(change)
  await journal.open('j')
  return journal
}
async function write(journal: Tab, text: string): Promise<void> {
  const result = await journal.append(gorseJob, [note(text)])
  expect(result.ok).toBe(true)
  await settle(journal)
}
const refused = (status: number, code = 'x', after: number | null = null) =>
  new Refused(status, [{ code, path: '', message: `said ${status}` }], after)
const texts = (list: readonly NewEntry[]) => list.map((entry) => (entry.kind === 'note' ? entry.text : entry.kind))
const unsent = (journal: Tab) => journal.state.getState().unsent
function firstUnsent(journal: Tab) {
  const [first] = unsent(journal)
  if (!first) throw new Error('nothing is unsent')
  return first
}

describe('what goes well', () => {
  test('is shown at once, sent, and counted once', async () => {
    const journal = await opened()
    const writing = journal.append(gorseJob, [note('a')])
    expect(journal.state.getState().writing).toBe(1)
    await writing
    expect(journal.state.getState().writing).toBe(0)
    expect(texts(entriesShown(journal.state.getState()))).toEqual(['a'])
    await settle(journal)
    expect(texts(server.entries)).toEqual(['a'])
    expect(texts(entriesShown(journal.state.getState()))).toEqual(['a'])
    expect(device.rows.size).toBe(0)
  })

  test('the yard’s word that it has an entry changes nothing that is shown; what else it says does', async () => {
    const journal = await opened()
    const shown = steadyEntries()
    const lists = new Set<readonly JournalEntry[]>()
    journal.state.subscribe((state) => lists.add(shown(state)))
    await journal.append(gorseJob, [note('a')])
    const mine = shown(journal.state.getState())
    expect(texts(mine)).toEqual(['a'])
    lists.clear()
    await settle(journal)
    expect(journal.state.getState().entries).toHaveLength(1)
    expect([...lists]).toEqual([mine])
    expect([...lists][0]).toBe(mine)
    // Somebody else's is shown, beside the same as before.
    server.append([{ ...note('b'), id: 'theirs' }])
    await journal.sync()
    const both = shown(journal.state.getState())
    expect(texts(both)).toEqual(['a', 'b'])
    expect(both[0]).toBe(mine[0])
    // Theirs came before mine: mine stands elsewhere then.
    server.append([{ ...note('c'), id: 'sooner' }])
    await journal.append(gorseJob, [note('d')])
    await settle(journal)
    const all = shown(journal.state.getState())
    expect(all.map(({ seq }) => seq)).toEqual([1, 2, 3, 4])
    expect(texts(all)).toEqual(['a', 'b', 'c', 'd'])
  })

  test('batches go out in the order they were made', async () => {
    const journal = await opened()
    await Promise.all([journal.append(gorseJob, [note('a')]), journal.append(gorseJob, [note('b')])])
    await write(journal, 'c')
    expect(texts(server.entries)).toEqual(['a', 'b', 'c'])
  })
})

describe('a passing failure', () => {
  test.each([500, 429, 503, 404, 403, 400])('%i is tried again with back-off, and gets through', async (status) => {
    const journal = await opened()
    server.failures = [refused(status), refused(status)]
    await write(journal, 'a')
    expect(unsent(journal)).toMatchObject([{ state: 'waiting', tries: 1, problems: [{ message: `said ${status}` }] }])
    await write(journal, 'b')
    expect(server.seen, 'what comes later waits').toEqual([['e0']])
    await pass(2_000, journal)
    expect(unsent(journal)[0]).toMatchObject({ tries: 2, notBefore: clock + 4_000 })
    await pass(3_000, journal)
    expect(server.seen).toHaveLength(2)
    await pass(1_000, journal)
    expect(texts(server.entries)).toEqual(['a', 'b'])
    expect(unsent(journal)).toEqual([])
  })

  test('waits as long as the server asks, and never longer than five minutes', async () => {
    const journal = await opened()
    server.failures = [refused(429, 'too-many', 60), ...Array.from({ length: 12 }, () => refused(500))]
    await write(journal, 'a')
    expect(unsent(journal)[0]?.notBefore).toBe(clock + 60_000)
    for (let i = 0; i < 12; i++) await pass(5 * 60_000, journal)
    expect(unsent(journal)[0]?.notBefore).toBe(clock + 5 * 60_000)
    await pass(5 * 60_000, journal)
    expect(texts(server.entries)).toEqual(['a'])
  })

  test('“send again” does not wait', async () => {
    const journal = await opened()
    server.failures = [refused(500)]
    await write(journal, 'a')
    await journal.sendAgain(firstUnsent(journal).key)
    expect(texts(server.entries)).toEqual(['a'])
  })

  test('survives a reload in between', async () => {
    const journal = await opened()
    server.failures = [refused(500)]
    await write(journal, 'a')
    const again = tab()
    await again.open('j')
    expect(texts(entriesShown(again.state.getState()))).toEqual(['a'])
    await pass(2_000, again)
    expect(texts(server.entries)).toEqual(['a'])
  })
})

describe('a device that is not paired', () => {
  test('keeps what it writes, says so, and sends once it is paired', async () => {
    const journal = await opened()
    server.failures = Array.from({ length: 4 }, () => refused(401, 'unpaired'))
    await write(journal, 'a')
    expect(journal.state.getState().link).toBe('unpaired')
    expect(unsent(journal)).toMatchObject([{ state: 'waiting', tries: 0 }])
    server.failures = []
    await settle(journal)
    expect(texts(server.entries)).toEqual(['a'])
    expect(journal.state.getState().link).toBe('up')
  })
})

describe('the link', () => {
  test('down and up again: everything in order, nothing twice', async () => {
    let link = true
    const journal = await opened({ link: () => link })
    link = false
    await write(journal, 'a')
    await write(journal, 'b')
    expect(journal.state.getState().link).toBe('down')
    expect(texts(entriesShown(journal.state.getState()))).toEqual(['a', 'b'])
    link = true
    await settle(journal)
    expect(texts(server.entries)).toEqual(['a', 'b'])
    expect(journal.state.getState()).toMatchObject({ link: 'up', unsent: [] })
  })

  test('an answer that is lost: the batch goes again and stands once', async () => {
    const journal = await opened()
    const { append } = server
    server.append = (sent) => {
      append.call(server, sent)
      server.append = append
      throw new Unreachable()
    }
    await write(journal, 'a')
    await settle(journal)
    expect(server.seen).toEqual([['e0'], ['e0']])
    expect(texts(server.entries)).toEqual(['a'])
  })
})

describe('the journal’s own refusals', () => {
  test.each([409, 422, 413])('%i is kept until somebody decides, and holds nothing else up', async (status) => {
    const journal = await opened()
    server.failures = [refused(status)]
    await write(journal, 'a')
    await write(journal, 'b')
    expect(texts(server.entries)).toEqual(['b'])
    expect(unsent(journal)).toMatchObject([{ state: 'refused', problems: [{ message: `said ${status}` }] }])
    expect(texts(entriesShown(journal.state.getState()))).toEqual(['b'])
    await journal.sendAgain(firstUnsent(journal).key)
    expect(texts(server.entries)).toEqual(['b', 'a'])
    expect(device.rows.size).toBe(0)
  })

  test('dropped is gone from the device too', async () => {
    const journal = await opened()
    server.failures = [refused(409)]
    await write(journal, 'a')
    await journal.discard(firstUnsent(journal).key)
    expect(unsent(journal)).toEqual([])
    expect(device.rows.size).toBe(0)
  })
})

describe('two tabs', () => {
  test('see what the other wrote, and send it once, in order', async () => {
    let link = false
    const [one, two] = [tab({ link: () => link }), tab({ link: () => link })]
    for (const journal of [one, two]) await journal.open('j').catch(() => undefined)
    await write(one, 'a')
    await write(two, 'b')
    await settle(one)
    for (const journal of [one, two]) expect(texts(entriesShown(journal.state.getState()))).toEqual(['a', 'b'])
    link = true
    await Promise.all([one.sync(), two.sync()])
    for (const journal of [one, two]) await settle(journal)
    expect(texts(server.entries)).toEqual(['a', 'b'])
    for (const journal of [one, two]) expect(unsent(journal)).toEqual([])
    expect(device.rows.size).toBe(0)
  })
})

describe('a yard brought back from a backup', () => {
  test('keeps what the device knows and the yard lacks, and offers to send it again', async () => {
    const journal = await opened()
    for (const text of ['a', 'b', 'c']) await write(journal, text)
    server.restoreTo(1)
    await settle(journal)
    expect(texts(journal.state.getState().entries)).toEqual(['a'])
    expect(unsent(journal)).toMatchObject([{ state: 'lost', again: true }])
    expect(texts(firstUnsent(journal).entries)).toEqual(['b', 'c'])
    await journal.sendAgain(firstUnsent(journal).key)
    await settle(journal)
    expect(texts(server.entries)).toEqual(['a', 'b', 'c'])
    expect(texts(journal.state.getState().entries)).toEqual(['a', 'b', 'c'])
  })

  test('is noticed though it went on past the head this device knew', async () => {
    const journal = await opened()
    for (const text of ['a', 'b']) await write(journal, text)
    server.restoreTo(1)
    server.append([{ id: 'x', kind: 'note', text: 'x' }])
    server.append([{ id: 'y', kind: 'note', text: 'y' }])
    await settle(journal)
    expect(texts(journal.state.getState().entries)).toEqual(['a', 'x', 'y'])
    expect(texts(firstUnsent(journal).entries)).toEqual(['b'])
  })
})

test('a change of dossier by somebody else fetches the job again', async () => {
  const journal = await opened()
  const before = journal.state.getState().job
  server.dossiers = 'm2 k1'
  await settle(journal)
  expect(before).not.toBeNull()
  expect(journal.state.getState().job).toBe(job)
})

test('a job whose link hangs holds up no other, nor itself when it is opened again', async () => {
  let hangs = 'slow'
  const journal = tab({ hangs: (id) => id === hangs })
  void journal.open('slow')
  await new Promise((done) => setTimeout(done, 5))
  expect(journal.state.getState().job).toBeNull()
  await journal.open('j')
  expect(journal.state.getState()).toMatchObject({ jobId: 'j', job, link: 'up' })
  await write(journal, 'a')
  expect(texts(server.entries)).toEqual(['a'])
  hangs = ''
  await journal.open('slow')
  expect(journal.state.getState()).toMatchObject({ jobId: 'slow', job, link: 'up' })
})
