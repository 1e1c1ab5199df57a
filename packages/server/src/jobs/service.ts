import {
  entryVersion,
  invalidatedBy,
  jobFindings,
  keyedKits,
  kitRefs,
  movesDossiers,
  refsInForce,
  type Invalidated,
  type JobDossiers,
  type JobRefs,
  type JournalEntry,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import { compareDossiers, membersOf, type DossierRef, type Kit, type Machine } from '@tidy-badger/core/dossiers'
import type { Erratum } from '@tidy-badger/core/wiring'
import type { DossierService } from '../dossiers/index.ts'
import { notFound, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { Sender } from '../platform/http.ts'
import { serialize } from '../platform/serialize.ts'
import { judgementVersion } from './judgeJob.ts'
import { jobList, summaryOf } from './jobList.ts'
import { jobStore, type LoadedJob } from './jobStore.ts'
import { deletedJobsLiveMs, mostEntries, mostSince } from './keeping.ts'
import type { Live } from './live.ts'
import { checkTimes, requireNotOpened, requireOnce, withKit, type OpenAsked } from './opening.ts'
import { HeadMoved, jobRepository, type JobRow } from './repository.ts'
import { learntFrom, requireReadable } from './teach.ts'
import { isHeavy } from './weight.ts'
import { judgeAppend, type AppendTask, type JudgedAppend, type TogetherTask } from './worker.ts'

export type { LoadedJob } from './jobStore.ts'
export type JobService = ReturnType<typeof jobService>

export interface Append {
  base?: number
  entries: readonly NewEntry[]
  /** Entries that the yard had before it was restored, as they were. */
  again?: boolean
}

export function jobService(deps: AppDeps, dossiers: DossierService, live: Live) {
  const repository = jobRepository(deps.db)
  const store = jobStore(deps, dossiers, repository)
  const list = jobList(repository, store)
  /** One change of a job at a time; reading waits for none. */
  const oneByOne = serialize()

  function headOf(job: LoadedJob): number {
    return job.journal.at(-1)?.seq ?? 0
  }

  async function requireFiles(entries: readonly NewEntry[]): Promise<void> {
    for (const [i, entry] of entries.entries())
      if (entry.kind === 'log-imported' && !(await deps.files.has(entry.log)))
        throw refusal(
          'unprocessable',
          'log-missing',
          'The bytes of this log have not arrived. Send them first.',
          `entries.${i}.log`,
        )
      else if (entry.kind === 'photo' && !(await deps.photos.has(entry.photo)))
        throw refusal(
          'unprocessable',
          'photo-missing',
          'The bytes of this photo have not arrived. Send them first.',
          `entries.${i}.photo`,
        )
  }

  /** Dossiers in force once a batch is in, and their references. */
  async function movedTo(job: LoadedJob, batch: readonly NewEntry[]): Promise<{ pair: JobDossiers; refs: JobRefs }> {
    const { refs } = job
    const known = new Map<string, NewEntry>(job.journal.map((entry) => [entry.id, entry]))
    const fresh = batch.filter((entry) => !known.has(entry.id))
    if (!fresh.some((entry) => movesDossiers(entry, known))) return { pair: job.dossiers, refs }
    if (fresh.length > 1)
      throw refusal(
        'unprocessable',
        'goes-alone',
        'A change of version, or its undoing, goes alone: what else is in the batch would be judged by the wrong one.',
        'entries',
      )
    const [entry] = fresh
    if (entry.kind === 'dossier-changed') await checkChange(job, entry)
    if (entry.kind === 'kit-added') await checkAdded(job, entry)
    if (entry.kind === 'kit-dropped') checkDropped(job, entry)
    const after = refsInForce(job.opened, [...job.journal, entry])
    return { pair: await store.dossiersOf(after), refs: after }
  }

  async function checkChange(job: LoadedJob, entry: NewEntry & { kind: 'dossier-changed' }): Promise<void> {
    const now =
      entry.dossier === 'machine'
        ? job.machineRef
        : (kitRefs(job.refs).find(({ hash, id }) => hash === entry.replaces && id === entry.to.id) ?? job.kitRef)
    if (entry.replaces !== now.hash)
      throw staleBase(job, 0, [
        {
          code: 'stale-base',
          path: 'entries.0.replaces',
          message: `The job works with version ${now.version} of its ${entry.dossier} by now.`,
        },
      ])
    const wrong = (message: string, path = 'to') =>
      refusal('unprocessable', 'unknown-dossier', message, `entries.0.${path}`)
    const document = await dossiers.byHash(entry.to.hash).catch(() => null)
    if (!document || document.kind !== entry.dossier || document.id !== now.id || document.version !== entry.to.version)
      throw wrong(`There is no such version of the ${entry.dossier} "${now.id}".`)
    if (document.kind === 'machine' && entry.to.variant && !document.variants.some(({ id }) => id === entry.to.variant))
      throw wrong(`Version ${document.version} has no variant "${entry.to.variant}".`, 'to.variant')
  }

  /** A kit that comes to a job has to be there, and to go with the others. */
  async function checkAdded(job: LoadedJob, entry: NewEntry & { kind: 'kit-added' }): Promise<void> {
    const document = await dossiers.byHash(entry.kit.hash).catch(() => null)
    if (!document || document.kind !== 'kit' || document.id !== entry.kit.id || document.version !== entry.kit.version)
      throw refusal(
        'unprocessable',
        'unknown-dossier',
        `There is no such version of the kit "${entry.kit.id}".`,
        'entries.0.kit',
      )
    const pair = await store.dossiersOf(withKit(job.refs, entry.kit))
    const members = membersOf(pair.kit)
    requireOnce(
      members.map(({ kit, id }) => ({ ...kit, id })),
      members.filter(({ present }) => present).length,
      'entries.0.kit',
    )
    await requireTogether(
      pair.machine,
      members.map(({ kit }) => kit),
      'entries.0.kit',
    )
  }

  /** @throws Refusal with what stands between kits that do not go together */
  async function requireTogether(machine: Machine, kits: readonly Kit[], path: string): Promise<void> {
    if (kits.length < 2) return
    const task: TogetherTask = { machine, kits }
    const against = await deps.pool.run<string | null>(new URL('./worker.ts', import.meta.url), 'clash', task)
    if (against !== null)
      throw refusal('unprocessable', 'kits-clash', `These kits do not go together on this machine: ${against}`, path)
  }

  function checkDropped({ refs, dossiers: { kit } }: LoadedJob, entry: NewEntry & { kind: 'kit-dropped' }): void {
    const keys = keyedKits(refs)
    const wrong = (message: string) => refusal('unprocessable', 'unknown-reference', message, 'entries.0.kit')
    const dropped = keys.find(({ key }) => key === entry.kit)
    if (!dropped)
      throw wrong(`"${entry.kit}" is no kit of this job, which has ${keys.map(({ key }) => key).join(', ')}.`)
    if (keys.length === 1) throw wrong(`The ${kit.model} is the only kit of this job: throw the job away instead.`)
    const later = keys.findLast(({ ref }) => ref.id === dropped.ref.id)
    if (later && later.key !== entry.kit)
      throw wrong(`Drop ${later.key} first: what is left would be called by the other's name.`)
  }

  function staleBase(job: LoadedJob, base: number, problems: Refusal['problems']): Refusal {
    const since = job.journal.filter((entry) => entry.seq > base)
    return new Refusal(
      'conflict',
      ...problems.map((problem) => ({
        ...problem,
        head: headOf(job),
        entries: since.slice(0, mostSince),
        since: since.length,
      })),
    )
  }

  /** Judges a batch, beside the server when that takes long. */
  function judge(task: AppendTask): Promise<JudgedAppend> | JudgedAppend {
    return isHeavy(task.before, task.journal, task.batch)
      ? deps.pool.run(new URL('./worker.ts', import.meta.url), 'judgeAppend', task)
      : judgeAppend(task)
  }

  async function appendTo(job: LoadedJob, { base, entries, again }: Append, sender: Sender | null) {
    checkTimes(entries, deps.now())
    if (job.journal.length + entries.length > mostEntries)
      throw refusal(
        'unprocessable',
        'journal-full',
        `A job takes ${mostEntries} entries, and this one has ${job.journal.length}. Open another job for what comes now.`,
        'entries',
      )
    requireNotOpened(job, entries, again ?? false)
    const person = sender?.role === 'fitter' && !again ? sender.person : null
    const batch = person === null ? entries : entries.map((entry) => ({ ...entry, by: person }))
    const { pair, refs } = await movedTo(job, batch)
    requireReadable(pair, job.journal, batch)
    const result = await judge({
      before: job.dossiers,
      after: pair,
      refs,
      journal: job.journal,
      batch,
      bound: sender?.role === 'fitter',
      receivedAt: deps.now(),
    })
    if (result.kind === 'refused') {
      if (result.plan.kind === 'unknown') throw new Refusal('unprocessable', ...result.plan.problems)
      throw staleBase(job, base ?? 0, result.plan.problems)
    }
    const { plan, stamped, state, judged } = result
    if (state && judged) {
      await requireFiles(batch)
      const before = headOf(job)
      const head = before + stamped.length
      const summary = { head, version: judgementVersion, body: judged }
      await repository.append(job.row.id, before, stamped, summary, sender?.role === 'fitter' ? sender.device : null)
      Object.assign(job, {
        journal: [...job.journal, ...stamped],
        state,
        dossiers: pair,
        refs,
        machineRef: refs.machine,
        kitRef: refs.kit,
      })
      await list.note(job.row, head, judged)
      live.grew(job.row.id, head)
      if (!again) await teach(job, stamped)
    }
    return {
      head: headOf(job),
      entries: plan.places.map((place) => ({
        id: place.id,
        seq: 'seq' in place ? place.seq : stamped[place.fresh].seq,
      })),
    }
  }

  /** What was found otherwise, or taken back, and what readings said of guesses, goes into the machine's draft. */
  async function teach(job: LoadedJob, stamped: readonly JournalEntry[]): Promise<void> {
    const what = learntFrom(job, stamped)
    if (what.length > 0) await dossiers.learn(job.machineRef, what)
  }

  async function append(id: string, asked: Append, sender: Sender | null) {
    try {
      return await appendTo(await store.load(id), asked, sender)
    } catch (error) {
      if (!(error instanceof HeadMoved)) throw error
      // Somebody else wrote to the store: what is in memory is old. Judged once more on what is there.
      store.forget(id)
      return appendTo(await store.load(id), asked, sender)
    }
  }

  async function rowOf(id: string): Promise<JobRow> {
    const row = await repository.byId(id)
    if (!row) throw notFound('job', id)
    return row
  }

  async function mark(id: string, change: Partial<Pick<JobRow, 'archivedAt' | 'deletedAt'>>): Promise<void> {
    await oneByOne(id, async () => {
      await rowOf(id)
      await repository.mark(id, change)
      store.forget(id)
      await list.refresh(id)
    })
  }

  const summary = async (job: LoadedJob) => summaryOf(job.row, headOf(job), await store.judged(job))

  /** What a newer version of one of the job's dossiers would change; null when there is none. */
  async function newerOf(job: LoadedJob, dossier: 'machine' | 'kit') {
    const now = dossier === 'machine' ? job.machineRef : job.kitRef
    const newest = await dossiers.newest(dossier, now.id)
    if (!newest || newest.ref.version <= now.version || newest.ref.hash === now.hash) return null
    const variant = now.variant
    const { document } = newest
    const lost =
      variant !== undefined && document.kind === 'machine' && !document.variants.some(({ id }) => id === variant)
    const to: DossierRef = { ...newest.ref, ...(variant && !lost ? { variant } : {}) }
    const before = await dossiers.byHash(now.hash)
    const refs: JobRefs = { ...job.refs, [dossier]: to }
    const pair = await store.dossiersOf(refs)
    const change: NewEntry = { id: 'asked', kind: 'dossier-changed', dossier, to, replaces: now.hash, invalidates: [] }
    const invalidates: Invalidated[] = invalidatedBy(job.dossiers, pair, job.journal, change)
    return {
      from: now,
      to,
      changes: compareDossiers(before, document),
      invalidates,
      variantLost: lost ? (variant ?? null) : null,
    }
  }

  return {
    load: store.load,
    summary,
    list: list.page,
    times: list.times,
    /** All findings of a job, with what is known of its kit's sheet. */
    async findings(id: string, errata: readonly Erratum[]) {
      const job = await store.load(id)
      return jobFindings(job.dossiers, job.state, { errata })
    },
    async open({ machine: askedMachine, kits: askedKits, present = [], first, ...asked }: OpenAsked) {
      const machine = await dossiers.machine(askedMachine)
      const kits = await Promise.all(askedKits.map((kit) => dossiers.kit(kit)))
      const [main] = kits
      if (!main) throw refusal('unprocessable', 'no-kit', 'Name the kits that are fitted, one at least.', 'kits')
      const before = await Promise.all(present.map(({ hash }) => dossiers.byHash(hash)))
      const known = before.flatMap((document) => (document.kind === 'kit' ? [document] : []))
      const together = [...known, ...kits.map(({ document }) => document)]
      requireOnce(together, known.length)
      await requireTogether(machine.document, together, 'kits')
      for (const own of [machine.own, ...kits.map((kit) => kit.own)]) if (own) await dossiers.keepOwn(own)
      const id = asked.id ?? deps.newId()
      const now = asked.createdAt ?? deps.now()
      const row: JobRow = {
        id,
        origin: id,
        title: asked.title ?? `${machine.document.model} + ${kits.map(({ document }) => document.model).join(' + ')}`,
        machineHash: machine.ref.hash,
        machineVariant: machine.ref.variant ?? null,
        kitHash: main.ref.hash,
        moreKits: [
          ...kits.slice(1).map(({ ref }) => ({ hash: ref.hash })),
          ...present.map(({ hash }) => ({ hash, present: true })),
        ],
        createdAt: now,
        provenance: [],
        archivedAt: null,
        deletedAt: null,
      }
      const entries = first ? [{ id: deps.newId(), at: now, ...first, seq: 1, receivedAt: now, v: entryVersion }] : []
      await repository.add(row, entries)
      await list.refresh(id)
      return store.load(id)
    },
    async journal(id: string, after: number) {
      const job = await store.load(id)
      return { job, head: headOf(job), entries: job.journal.filter((entry) => entry.seq > after) }
    },
    append: (id: string, asked: Append, sender: Sender | null) => oneByOne(id, () => append(id, asked, sender)),
    /** Newer versions of the job's dossiers, with what taking them would change. */
    async newer(id: string) {
      const job = await store.load(id)
      return { machine: await newerOf(job, 'machine'), kit: await newerOf(job, 'kit') }
    },
    archive: (id: string) => mark(id, { archivedAt: deps.now() }),
    remove: (id: string) => mark(id, { deletedAt: deps.now() }),
    /** Takes a job out of the bin, or out of the archive when it is in none. */
    async bringBack(id: string): Promise<void> {
      const row = await rowOf(id)
      await mark(id, row.deletedAt !== null ? { deletedAt: null } : { archivedAt: null })
    },
    /** Removes for good what was thrown away thirty days ago, and files that no entry names any more. */
    async purge(): Promise<{ jobs: number; files: number }> {
      const before = new Date(Date.parse(deps.now()) - deletedJobsLiveMs)
      const gone = await repository.purge(before.toISOString())
      for (const id of gone) {
        store.forget(id)
        await list.refresh(id)
      }
      let files = 0
      if (gone.length > 0) {
        const named = new Set([...(await repository.filesNamed()), ...(await dossiers.photosNamed())])
        for (const kept of [deps.files, deps.photos])
          for (const { hash, keptAtMs } of await kept.list())
            if (!named.has(hash) && keptAtMs < before.getTime()) {
              await kept.remove(hash)
              files++
            }
      }
      return { jobs: gone.length, files }
    },
    /** For what brings jobs in and out: rows and journals as they lie. */
    stored: {
      repository,
      oneByOne,
      /** Memory and list follow what was stored. */
      async changed(id: string): Promise<void> {
        store.forget(id)
        await list.refresh(id)
        const job = await repository.headOf(id)
        live.grew(id, job)
      },
      /** Takes entries into a job that is here already, by their ids. @returns how many were new */
      async merge(id: string, entries: readonly NewEntry[]): Promise<{ added: number; head: number }> {
        const job = await store.load(id)
        const before = job.journal.length
        await appendAsSent(job, entries)
        return { added: job.journal.length - before, head: headOf(job) }
      },
    },
  }

  /** Appends entries of a file; those that change versions go one by one, the others together. */
  async function appendAsSent(job: LoadedJob, entries: readonly NewEntry[]): Promise<void> {
    const before = new Set(job.journal.map((entry) => entry.id))
    const known = new Map<string, NewEntry>([...job.journal, ...entries].map((entry) => [entry.id, entry]))
    let batch: NewEntry[] = []
    const send = async () => {
      if (batch.length > 0) await appendTo(job, { entries: batch, again: true }, null)
      batch = []
    }
    for (const entry of entries) {
      if (before.has(entry.id) || !movesDossiers(entry, known)) {
        batch.push(entry)
        continue
      }
      await send()
      batch = [entry]
      await send()
    }
    await send()
  }
}
