import type { JournalEntry, NewEntry, OlderChoice } from '@tidy-badger/core/jobs'
import { deviceStore, type Unsent } from '../platform/storage/deviceStore.ts'
import type { JournalKeep, UnsentBatch } from './journalModel.ts'

/** What the journal keeps on this device, in IndexedDB. */
export const journalKeep: JournalKeep = {
  async readJournal(job) {
    const kept = await (await deviceStore()).get('journals', job)
    if (!kept) return null
    // oxlint-disable-next-line typescript/consistent-type-assertions -- written below alone
    const entries = await stampedNow(kept.entries as (JournalEntry | OlderStamped)[])
    return { head: kept.head, entries, yard: kept.yard ?? null }
  },
  async writeJournal(job, journal) {
    await (await deviceStore()).put('journals', journal, job)
  },
  async readUnsent(job) {
    const rows = await (await deviceStore()).getAllFromIndex('unsent', 'job', job)
    const read = rows.map(async ({ key, base, entries, state, problems, tries = 0, notBefore = 0, again = false }) => {
      if (key === undefined) return null
      // oxlint-disable-next-line typescript/consistent-type-assertions -- written below alone
      const written = await writtenNow(entries as (NewEntry | OlderChoice)[])
      return { key, base, entries: written, state, problems, tries, notBefore, again }
    })
    return (await Promise.all(read)).filter((batch) => batch !== null)
  },
  addUnsent: async (job, batch) => (await deviceStore()).add('unsent', rowOf(job, batch)),
  async changeUnsent(job, batch) {
    const store = await deviceStore()
    const change = store.transaction('unsent', 'readwrite')
    // Another tab may have sent or dropped it meanwhile: what is gone stays gone.
    if (await change.store.get(batch.key)) await change.store.put({ ...rowOf(job, batch), key: batch.key })
    await change.done
  },
  async dropUnsent(key) {
    await (await deviceStore()).delete('unsent', key)
  },
  readBytes: async (kind, hash) => (await deviceStore()).get(kind, hash),
  async dropPhoto(hash) {
    await (await deviceStore()).delete('photos', hash)
  },
}

/** Entries of an older form, of which few devices have any, are read by code that comes when they are there. */
async function stampedNow(entries: (JournalEntry | OlderStamped)[]): Promise<JournalEntry[]> {
  if (entries.every((entry) => entry.kind !== 'choice')) return entries
  return entries.map((await import('./olderJournal.ts')).upcastStamped)
}

async function writtenNow(entries: (NewEntry | OlderChoice)[]): Promise<NewEntry[]> {
  if (entries.every((entry) => entry.kind !== 'choice')) return entries
  const { upcastEntry } = await import('./olderJournal.ts')
  return entries.map((entry) => upcastEntry(entry))
}
type OlderStamped = OlderChoice & Pick<JournalEntry, 'seq' | 'receivedAt' | 'v'>

function rowOf(
  job: string,
  { base, entries, state, problems, tries, notBefore, again }: Omit<UnsentBatch, 'key'>,
): Unsent {
  return { job, base, entries, state, problems, tries, notBefore, again }
}
