import { composeVariant, type DossierRef, type Kit, type Machine } from '@tidy-badger/core/dossiers'
import {
  checkReferences,
  entryVersion,
  jobFindings,
  openStops,
  planAppend,
  replay,
  stationNow,
  type JobDossiers,
  type JobFile,
  type JobState,
  type JournalEntry,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import type { Erratum } from '@tidy-badger/core/wiring'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import { notFound, Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { packLog, unpackLog, unpackPhoto } from './logPacking.ts'
import type { Live } from './live.ts'
import { jobRepository, type JobRow } from './repository.ts'

export interface LoadedJob {
  row: JobRow
  machineRef: DossierRef
  kitRef: DossierRef
  dossiers: JobDossiers
  documents: { machine: Machine; kit: Kit }
  journal: JournalEntry[]
  state: JobState
}

export type JobService = ReturnType<typeof jobService>

export function jobService(rooms: Rooms, dossiers: DossierService, live: Live) {
  const repository = jobRepository(rooms.db)
  const loaded = new Map<string, LoadedJob>()
  const queues = new Map<string, Promise<unknown>>()

  /** One change of a job at a time; reading waits for none. */
  function inTurn<T>(job: string, work: () => Promise<T>): Promise<T> {
    const turn = (queues.get(job) ?? Promise.resolve()).then(work, work)
    queues.set(job, turn)
    return turn
  }

  async function assemble(row: JobRow, journal: JournalEntry[]): Promise<LoadedJob> {
    const machine = await dossiers.byHash(row.machineHash)
    const kit = await dossiers.byHash(row.kitHash)
    if (machine.kind !== 'machine' || kit.kind !== 'kit')
      throw new Error(`jobs: "${row.id}" points at the wrong kinds of dossier`)
    const variant = row.machineVariant ?? undefined
    const composed = composeVariant(machine, variant)
    if (!composed.ok) throw new Refusal('unprocessable', ...composed.problems)
    const jobDossiers = { machine: composed.value, kit }
    return {
      row,
      machineRef: { id: machine.id, version: machine.version, hash: row.machineHash, ...(variant ? { variant } : {}) },
      kitRef: { id: kit.id, version: kit.version, hash: row.kitHash },
      dossiers: jobDossiers,
      documents: { machine, kit },
      journal,
      state: replay(jobDossiers, journal),
    }
  }

  async function load(id: string): Promise<LoadedJob> {
    const known = loaded.get(id)
    if (known) return known
    const row = await repository.byId(id)
    if (!row) throw notFound('job', id)
    const job = await assemble(row, await repository.journal(id))
    loaded.set(id, job)
    return job
  }

  function headOf(job: LoadedJob): number {
    return job.journal.at(-1)?.seq ?? 0
  }

  /** Stamps and stores entries, then takes them into the job in memory. */
  async function write(job: LoadedJob, fresh: readonly NewEntry[]): Promise<JournalEntry[]> {
    const head = headOf(job)
    const receivedAt = rooms.now()
    const stamped = fresh.map((entry, i): JournalEntry => ({
      ...entry,
      seq: head + 1 + i,
      receivedAt,
      v: entryVersion,
    }))
    if (stamped.length === 0) return []
    await repository.append(job.row.id, stamped)
    job.journal = [...job.journal, ...stamped]
    job.state = replay(job.dossiers, job.journal)
    live.grew(job.row.id, headOf(job))
    return stamped
  }

  async function requireFiles(entries: readonly NewEntry[]): Promise<void> {
    for (const [i, entry] of entries.entries())
      if (entry.kind === 'log-imported' && !(await rooms.files.has(entry.log)))
        throw new Refusal('unprocessable', {
          code: 'log-missing',
          path: `entries.${i}.log`,
          message: 'The bytes of this log have not arrived. Send them first.',
        })
      else if (entry.kind === 'photo' && !(await rooms.photos.has(entry.photo)))
        throw new Refusal('unprocessable', {
          code: 'photo-missing',
          path: `entries.${i}.photo`,
          message: 'The bytes of this photo have not arrived. Send them first.',
        })
  }

  async function appendInTurn(id: string, base: number | undefined, entries: readonly NewEntry[]) {
    const job = await load(id)
    const plan = planAppend(job.dossiers, job.journal, entries)
    if (plan.kind === 'unknown') throw new Refusal('unprocessable', ...plan.problems)
    if (plan.kind === 'conflict') {
      const since = job.journal.filter((entry) => entry.seq > (base ?? 0))
      throw new Refusal(
        'conflict',
        ...plan.problems.map((problem) => ({ ...problem, head: headOf(job), entries: since })),
      )
    }
    await requireFiles(entries)
    const stamped = await write(job, plan.fresh)
    return {
      head: headOf(job),
      entries: plan.places.map((place) => ({
        id: place.id,
        seq: 'seq' in place ? place.seq : stamped[place.fresh].seq,
      })),
    }
  }

  async function merge(row: JobRow, file: JobFile) {
    return inTurn(row.id, async () => {
      const job = await load(row.id)
      const known = new Set(job.journal.map((entry) => entry.id))
      const fields = file.journal.map(({ seq: _seq, receivedAt: _at, v: _v, ...entry }): NewEntry => entry)
      const plan = planAppend(job.dossiers, job.journal, fields)
      if (plan.kind !== 'append')
        throw new Refusal(plan.kind === 'unknown' ? 'unprocessable' : 'conflict', ...plan.problems)
      await keepFiles(file)
      await write(job, plan.fresh)
      return {
        id: row.id,
        merged: true,
        added: file.journal.filter((entry) => !known.has(entry.id)).length,
        head: headOf(job),
      }
    })
  }

  async function keepFiles(file: JobFile): Promise<void> {
    for (const [i, log] of file.logs.entries()) {
      const bytes = unpackLog(log, `logs.${i}`)
      await rooms.files.putBytes(bytes)
    }
    for (const [i, photo] of (file.photos ?? []).entries())
      await rooms.photos.putBytes(unpackPhoto(photo, `photos.${i}`))
  }

  /** The file's own consistency, replayed as if it were stored. */
  async function rehearse(file: JobFile): Promise<JobDossiers> {
    const documentOf = (hash: string) => file.dossiers.find((dossier) => dossier.hash === hash)?.document
    const machine = documentOf(file.job.machine.hash)
    const kit = documentOf(file.job.kit.hash)
    if (machine?.kind !== 'machine' || kit?.kind !== 'kit')
      throw new Refusal('unprocessable', {
        code: 'dossier-kind',
        path: 'job',
        message: 'The job points at dossiers of the wrong kind.',
      })
    const composed = composeVariant(machine, file.job.machine.variant)
    if (!composed.ok) throw new Refusal('unprocessable', ...composed.problems)
    const jobDossiers = { machine: composed.value, kit }
    const ids = new Set<string>()
    const problems = file.journal.flatMap((entry, i) => {
      const found = checkReferences(jobDossiers, entry, `journal.${i}`)
      if (ids.has(entry.id))
        found.push({ code: 'duplicate-id', path: `journal.${i}.id`, message: `The id "${entry.id}" stands twice.` })
      if (entry.kind === 'undo' && !ids.has(entry.undoes))
        found.push({
          code: 'unknown-reference',
          path: `journal.${i}.undoes`,
          message: `There is no earlier entry "${entry.undoes}".`,
        })
      ids.add(entry.id)
      return found
    })
    const hashes = file.logs.map((log) => log.hash)
    file.journal.forEach((entry, i) => {
      if (entry.kind === 'log-imported' && !hashes.includes(entry.log))
        problems.push({
          code: 'log-missing',
          path: `journal.${i}.log`,
          message: 'The file does not hold the bytes of this log.',
        })
    })
    if (problems.length > 0) throw new Refusal('unprocessable', ...problems)
    const photos = (file.photos ?? []).map((photo) => photo.hash)
    file.journal.forEach((entry, i) => {
      if (entry.kind === 'photo' && !photos.includes(entry.photo))
        problems.push({
          code: 'photo-missing',
          path: `journal.${i}.photo`,
          message: 'The file does not hold the bytes of this photo.',
        })
    })
    if (problems.length > 0) throw new Refusal('unprocessable', ...problems)
    file.logs.forEach((log, i) => unpackLog(log, `logs.${i}`))
    file.photos?.forEach((photo, i) => unpackPhoto(photo, `photos.${i}`))
    replay(jobDossiers, file.journal)
    return jobDossiers
  }

  function summary(job: LoadedJob) {
    const findings = jobFindings(job.dossiers, job.state)
    const { machine, kit } = job.dossiers
    return {
      id: job.row.id,
      title: job.row.title,
      machine: job.machineRef,
      kit: job.kitRef,
      machineName: `${machine.maker} ${machine.model}`,
      kitName: `${kit.maker} ${kit.model}`,
      createdAt: job.row.createdAt,
      changedAt: job.journal.at(-1)?.receivedAt ?? job.row.createdAt,
      station: stationNow(job.state),
      finished: 'hand-back' in job.state.stationsDone,
      connected:
        job.state.connections.length === 0 ? 0 : new Set(job.state.connections.map((made) => made.kitEnd)).size,
      ends: kit.ends.length,
      stop: openStops(findings)[0]?.reason ?? null,
      missing: kit.parts.filter((part) => job.state.parts[part.id]?.state === 'missing').map((part) => part.name),
      rides: job.state.logs.length,
      provenance: job.row.provenance,
      head: headOf(job),
    }
  }

  return {
    load,
    summary,
    /** All findings of a job, with what is known of its kit's sheet. */
    async findings(id: string, errata: readonly Erratum[]) {
      const job = await load(id)
      return jobFindings(job.dossiers, job.state, { errata })
    },
    async list() {
      const rows = await repository.all()
      return Promise.all(rows.map(async (row) => summary(await load(row.id))))
    },
    async open(asked: { machine: DossierAsked; kit: DossierAsked; title?: string; id?: string; createdAt?: string }) {
      const machine = await dossiers.machine(asked.machine)
      const kit = await dossiers.kit(asked.kit)
      const id = asked.id ?? rooms.newId()
      const row: JobRow = {
        id,
        origin: id,
        title: asked.title ?? `${machine.document.model} + ${kit.document.model}`,
        machineHash: machine.ref.hash,
        machineVariant: machine.ref.variant ?? null,
        kitHash: kit.ref.hash,
        createdAt: asked.createdAt ?? rooms.now(),
        provenance: [],
      }
      await repository.add(row, [])
      return load(id)
    },
    async journal(id: string, after: number) {
      const job = await load(id)
      return { head: headOf(job), entries: job.journal.filter((entry) => entry.seq > after) }
    },
    append: (id: string, base: number | undefined, entries: readonly NewEntry[]) =>
      inTurn(id, () => appendInTurn(id, base, entries)),
    async exportFile(id: string): Promise<JobFile> {
      const job = await load(id)
      const photos = [...new Set(job.journal.flatMap((entry) => (entry.kind === 'photo' ? [entry.photo] : [])))]
      const hashes = [...new Set(job.journal.flatMap((entry) => (entry.kind === 'log-imported' ? [entry.log] : [])))]
      return {
        format: 'tidy-badger-job',
        version: 1,
        job: {
          id: job.row.id,
          origin: job.row.origin,
          title: job.row.title,
          createdAt: job.row.createdAt,
          machine: job.machineRef,
          kit: job.kitRef,
        },
        provenance: job.row.provenance,
        dossiers: [
          { hash: job.row.machineHash, document: job.documents.machine },
          { hash: job.row.kitHash, document: job.documents.kit },
        ],
        journal: job.journal,
        logs: await Promise.all(hashes.map(async (hash) => packLog(hash, await rooms.files.read(hash)))),
        ...(photos.length > 0
          ? {
              photos: await Promise.all(
                photos.map(async (hash) => ({ hash, data: (await rooms.photos.read(hash)).toString('base64') })),
              ),
            }
          : {}),
      }
    },
    async importFile(file: JobFile) {
      await rehearse(file)
      const same = (await repository.byId(file.job.id)) ?? (await repository.byOrigin(file.job.origin))
      if (same) return merge(same, file)
      for (const { document } of file.dossiers) await dossiers.store(document)
      await keepFiles(file)
      const id = rooms.newId()
      const row: JobRow = {
        id,
        origin: file.job.origin,
        title: file.job.title,
        machineHash: file.job.machine.hash,
        machineVariant: file.job.machine.variant ?? null,
        kitHash: file.job.kit.hash,
        createdAt: file.job.createdAt,
        provenance: [...file.provenance, { job: file.job.id, importedAt: rooms.now() }],
      }
      await repository.add(row, file.journal)
      const job = await load(id)
      return { id, merged: false, added: file.journal.length, head: headOf(job) }
    },
  }
}
