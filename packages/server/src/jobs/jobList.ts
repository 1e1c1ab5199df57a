import type { TimeSample } from '@tidy-badger/core/jobs'
import type { Station } from '@tidy-badger/core/dossiers'
import { serialize } from '../platform/serialize.ts'
import { judgementVersion, type Judged } from './judgeJob.ts'
import type { JobStore } from './jobStore.ts'
import type { jobRepository, JobRow } from './repository.ts'

export interface ListQuery {
  limit?: number
  /** Id of the last job of the page before. */
  after?: string
  /** Words that title, machine or kit must all have. */
  q?: string
  station?: Station
  archived: 'no' | 'only' | 'all'
  deleted: boolean
}

/** What the list says of a job that cannot be replayed. */
export interface Unreadable {
  unreadable: string
}

interface Listed {
  row: JobRow
  head: number
  body: Judged | Unreadable
  /** Title, machine and kit in small letters, for finding. */
  words: string
  /** As the list shows it. */
  answer: ReturnType<typeof answerOf>
}

/**
 * The yard's list, kept from stored judgements: read once, then followed with every append. A judgement that is missing, of
 * another version or of another head is made anew; a job that cannot be read says why and hides no other.
 */
export function jobList(repository: ReturnType<typeof jobRepository>, store: Pick<JobStore, 'load' | 'judged'>) {
  let read: Promise<Map<string, Listed>> | undefined
  /** All jobs, the oldest first; put in order anew after every change. */
  let inOrder: Listed[] | null = null
  const inTurn = serialize()

  async function readAll(): Promise<Map<string, Listed>> {
    const [rows, summaries, heads] = [await repository.all(), await repository.summaries(), await repository.heads()]
    const jobs = new Map<string, Listed>()
    for (const row of rows) {
      const head = heads.get(row.id) ?? 0
      const known = summaries.get(row.id)
      const fits = known?.version === judgementVersion && known.head === head
      jobs.set(row.id, listed(row, head, fits ? known.body : await judgedAnew(row, head)))
    }
    return jobs
  }

  async function judgedAnew(row: JobRow, head: number): Promise<Judged | Unreadable> {
    if (row.deletedAt !== null) return { unreadable: 'Thrown away.' }
    try {
      const body = await store.judged(await store.load(row.id))
      await repository.saveSummary(row.id, { head, version: judgementVersion, body })
      return body
    } catch (error) {
      return { unreadable: error instanceof Error ? error.message : String(error) }
    }
  }

  function put(jobs: Map<string, Listed>, item: Listed): void {
    jobs.set(item.row.id, item)
    inOrder = null
  }

  const all = () => {
    read ??= readAll()
    read.catch(() => (read = undefined))
    return read
  }

  return {
    /** Notes what an append changed; a list that nobody has asked for yet is read with it. */
    async note(row: JobRow, head: number, body: Judged): Promise<void> {
      if (read !== undefined) await inTurn('list', async () => put(await all(), listed(row, head, body)))
    },
    /** Reads one job again: it was brought back, put away or thrown away. */
    refresh: (id: string): Promise<void> =>
      inTurn('list', async () => {
        if (read === undefined) return
        const jobs = await all()
        const row = await repository.byId(id)
        if (!row) {
          jobs.delete(id)
          inOrder = null
          return
        }
        const head = await repository.headOf(id)
        const known = jobs.get(id)
        const fits = known && known.head === head && !('unreadable' in known.body)
        put(jobs, listed(row, head, fits ? known.body : await judgedAnew(row, head)))
      }),
    /** @returns a page of jobs, the oldest first, and the id the next page starts after */
    async page(query: ListQuery): Promise<{ jobs: ReturnType<typeof answerOf>[]; next: string | null }> {
      const jobs = await all()
      inOrder ??= [...jobs.values()].sort(oldestFirst)
      const found = inOrder.filter(matches(query))
      const start = query.after === undefined ? 0 : found.findIndex((item) => item.row.id === query.after) + 1
      const page = query.limit === undefined ? found.slice(start) : found.slice(start, start + query.limit)
      const last = page.at(-1)
      return {
        jobs: page.map((item) => item.answer),
        next: last && start + page.length < found.length ? last.row.id : null,
      }
    },
    /** Pieces of work of finished jobs on a machine, in any of its versions. */
    async times(machine: string, without?: string): Promise<TimeSample[]> {
      return [...(await all()).values()].flatMap(({ row, body }) =>
        'unreadable' in body || row.deletedAt !== null || row.id === without || body.machine.id !== machine
          ? []
          : body.times.map(({ key, minutes }): TimeSample => ({ job: row.id, key, minutes })),
      )
    },
  }
}

function listed(row: JobRow, head: number, body: Judged | Unreadable): Listed {
  const names = 'unreadable' in body ? '' : `${body.machineName} ${body.kitName}`
  return { row, head, body, words: `${row.title} ${names}`.toLocaleLowerCase('en'), answer: answerOf(row, head, body) }
}

function matches({ q, station, archived, deleted }: ListQuery): (item: Listed) => boolean {
  const words = (q ?? '').toLocaleLowerCase('en').split(/\s+/).filter(Boolean)
  return ({ row, body, words: own }) =>
    (row.deletedAt !== null) === deleted &&
    (archived === 'all' || (row.archivedAt !== null) === (archived === 'only')) &&
    (station === undefined || (!('unreadable' in body) && !body.finished && body.station === station)) &&
    words.every((word) => own.includes(word))
}

function oldestFirst(a: Listed, b: Listed): number {
  if (a.row.createdAt !== b.row.createdAt) return a.row.createdAt < b.row.createdAt ? -1 : 1
  return a.row.id < b.row.id ? -1 : 1
}

function answerOf(row: JobRow, head: number, body: Judged | Unreadable) {
  const { id, title, createdAt, provenance, archivedAt, deletedAt } = row
  const own = { id, title, createdAt, provenance, archivedAt, deletedAt, head }
  if ('unreadable' in body) return { ...own, changedAt: createdAt, unreadable: body.unreadable }
  const { times: _times, ...judged } = body
  return { ...judged, ...own, changedAt: body.changedAt ?? createdAt }
}

/** A job as the list shows it. */
export function summaryOf(row: JobRow, head: number, body: Judged) {
  return answerOf(row, head, body)
}
