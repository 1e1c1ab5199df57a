import { upcastEntry, upcastStamped, type JournalEntry, type NewEntry } from '@tidy-badger/core/jobs'
import { deviceStore, type Unsent } from '../platform/storage/deviceStore.ts'
import type { JournalKeep, UnsentBatch } from './journalModel.ts'

/** What the journal keeps on this device, in IndexedDB. */
export const journalKeep: JournalKeep = {
  async readJournal(job) {
    const kept = await (await deviceStore()).get('journals', job)
    if (!kept) return null
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- written below alone
    const entries = (kept.entries as JournalEntry[]).map(upcastStamped)
    return { head: kept.head, entries, yard: kept.yard ?? null }
  },
  async writeJournal(job, journal) {
    await (await deviceStore()).put('journals', journal, job)
  },
  async readUnsent(job) {
    const rows = await (await deviceStore()).getAllFromIndex('unsent', 'job', job)
    return rows.flatMap(({ key, base, entries, state, problems, tries = 0, notBefore = 0, again = false }) => {
      if (key === undefined) return []
      // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- written below alone
      const written = (entries as NewEntry[]).map((entry) => upcastEntry(entry))
      return [{ key, base, entries: written, state, problems, tries, notBefore, again }]
    })
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

function rowOf(
  job: string,
  { base, entries, state, problems, tries, notBefore, again }: Omit<UnsentBatch, 'key'>,
): Unsent {
  return { job, base, entries, state, problems, tries, notBefore, again }
}
