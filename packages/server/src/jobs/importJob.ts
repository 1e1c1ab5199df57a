import { largestLogBytes } from '@tidy-badger/core/fuel-trim'
import { checkReferences, readJobFile, type JobFile, type JournalEntry, type NewEntry } from '@tidy-badger/core/jobs'
import type { Outcome, Problem } from '@tidy-badger/core/shared'
import { readFile } from 'node:fs/promises'
import { pipeline, Readable } from 'node:stream'
import { createGunzip } from 'node:zlib'
import type { DossierService } from '../dossiers/index.ts'
import { inspectPhoto, largestPhotoBytes } from '../photos/index.ts'
import { orRefuse, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { StagedFile } from '../platform/fileStore.ts'
import { readJsonStream, type JsonPath } from '../platform/readJsonStream.ts'
import { checkTimes } from './opening.ts'
import type { JobService } from './service.ts'
import { pairOf } from './jobStore.ts'
import type { JobRow } from './repository.ts'

/** Journal and dossiers of a job file, characters; logs and photos do not count, they pass through. */
const mostChars = 64 * 1024 * 1024

/** Bytes of a log or photo of the file, waiting beside the store. */
type Staged = Map<string, StagedFile>

export interface ImportResult {
  id: string
  merged: boolean
  added: number
  head: number
}

/**
 * Brings a job file in as it arrives. Everything is checked and replayed before anything is kept; entries are numbered anew in
 * their order. A file of a job that is here already (the same id, or the same origin) is merged by entry id.
 * @throws Refusal with what is wrong and where; nothing is kept then
 */
export async function importJob(
  deps: AppDeps,
  dossiers: DossierService,
  jobs: JobService,
  body: Readable,
): Promise<ImportResult> {
  const staged: Staged = new Map()
  try {
    const document = await readJsonStream(body, (path) => takerOf(deps, staged, path), mostChars)
    const file = orRefuse(await check(deps, document), 'malformed')
    checkTimes(file.journal, deps.now(), 'journal')
    await validateImport(file, staged)
    return await jobs.stored.oneByOne(`import ${file.job.origin}`, () => keep(deps, dossiers, jobs, file, staged))
  } finally {
    for (const waiting of staged.values()) await waiting.drop()
  }
}

/** Characters of a document that is checked in this thread; a longer one goes to a worker. */
const lightChars = 400_000

function check(deps: AppDeps, document: unknown): Promise<Outcome<JobFile>> | Outcome<JobFile> {
  return JSON.stringify(document ?? null).length <= lightChars
    ? readJobFile(document)
    : deps.pool.run(new URL('./worker.ts', import.meta.url), 'readFile', document)
}

/** Takes the bytes of logs and photos out of the document while it is read. */
function takerOf(deps: AppDeps, staged: Staged, path: JsonPath) {
  const [list, index, field, more] = path
  if (field !== 'data' || more !== undefined || typeof index !== 'number') return null
  if (list === 'photos')
    return async (text: AsyncIterable<string>) => {
      staged.set(`photos.${index}`, await deps.photos.stage(bytesOfBase64(text), largestPhotoBytes))
    }
  if (list !== 'logs') return null
  return async (text: AsyncIterable<string>) => {
    // Which of the two it is stands in the field before it, or not at all yet: told by its own first signs.
    staged.set(`logs.${index}`, await deps.files.stage(logBytes(text, `logs.${index}`), largestLogBytes))
  }
}

/** Bytes of a log: packed ones begin with the signs of gzip in base64, which no log of readings does. */
async function* logBytes(text: AsyncIterable<string>, path: string): AsyncGenerator<Uint8Array> {
  const pieces = text[Symbol.asyncIterator]()
  let head = ''
  let next = await pieces.next()
  for (; !next.done && head.length < gzipStart.length; next = await pieces.next()) head += next.value
  async function* all(): AsyncGenerator<string> {
    yield head
    for (; !next.done; next = await pieces.next()) yield next.value
  }
  if (!head.startsWith(gzipStart)) {
    for await (const piece of all()) yield Buffer.from(piece, 'utf-8')
    return
  }
  const unpacked = createGunzip()
  pipeline(Readable.from(bytesOfBase64(all())), unpacked, () => undefined)
  try {
    yield* unpacked
  } catch {
    throw refusal('unprocessable', 'log-unreadable', 'The log in the file cannot be unpacked.', `${path}.data`)
  }
}
const gzipStart = 'H4sI'

async function* bytesOfBase64(text: AsyncIterable<string>): AsyncGenerator<Uint8Array> {
  let rest = ''
  for await (const piece of text) {
    const all = rest + piece
    const whole = all.length - (all.length % 4)
    if (whole > 0) yield Buffer.from(all.slice(0, whole), 'base64')
    rest = all.slice(whole)
  }
  if (rest !== '') yield Buffer.from(rest, 'base64')
}

/** Kinds of entries after which others may name what only another document has. */
const movesKits = new Set<string>(['dossier-changed', 'kit-added', 'kit-dropped'])

/** The file's own consistency: what entries name is there, and the bytes are the ones announced. */
async function validateImport(file: JobFile, staged: Staged): Promise<void> {
  const documentOf = (hash: string) => file.dossiers.find((dossier) => dossier.hash === hash)?.document
  const machine = documentOf(file.job.machine.hash)
  const listed: NonNullable<JobFile['job']['kits']> = file.job.kits ?? [file.job.kit]
  const kits = (present: boolean) =>
    listed.flatMap((kit) => ((kit.present ?? false) === present ? [documentOf(kit.hash)] : []))
  const [own, before] = [kits(false), kits(true)]
  const known = (list: typeof own) => list.flatMap((document) => (document ? [document] : []))
  if (!machine || own.includes(undefined) || before.includes(undefined) || own.length === 0)
    throw refusal('unprocessable', 'dossier-missing', 'The file does not hold its dossiers.', 'job')
  const pair = pairOf(machine, known(own), file.job.machine.variant, known(before))
  const moved = file.journal.some(({ kind }) => movesKits.has(kind)) || before.length > 0
  const ids = new Set<string>()
  const problems: Problem[] = []
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  const logs = new Set(file.logs.map((log) => log.hash))
  const photos = new Set((file.photos ?? []).map((photo) => photo.hash))
  for (const [i, entry] of file.journal.entries()) {
    const at = `journal.${i}`
    // After a change of version entries may name what only the other one has: replay holds what does not fit.
    if (!moved) problems.push(...checkReferences(pair, entry, at))
    if (ids.has(entry.id)) say('duplicate-id', `${at}.id`, `The id "${entry.id}" stands twice.`)
    if (entry.kind === 'undo' && !ids.has(entry.undoes))
      say('unknown-reference', `${at}.undoes`, `There is no earlier entry "${entry.undoes}".`)
    if (entry.kind === 'log-imported' && !logs.has(entry.log))
      say('log-missing', `${at}.log`, 'The file does not hold the bytes of this log.')
    if (entry.kind === 'photo' && !photos.has(entry.photo))
      say('photo-missing', `${at}.photo`, 'The file does not hold the bytes of this photo.')
    ids.add(entry.id)
  }
  const check = (list: 'logs' | 'photos', what: string, hashes: readonly { hash: string }[]) =>
    hashes.forEach(({ hash }, i) => {
      if (staged.get(`${list}.${i}`)?.hash !== hash)
        say(
          'hash-mismatch',
          `${list}.${i}.hash`,
          `The ${what} was changed since it was written: its hash does not fit.`,
        )
    })
  check('logs', 'log', file.logs)
  check('photos', 'photo', file.photos ?? [])
  if (problems.length > 0) throw new Refusal('unprocessable', ...problems.slice(0, 100))
  for (const i of (file.photos ?? []).keys()) {
    const waiting = staged.get(`photos.${i}`)
    if (!waiting) continue
    const bytes = await readFile(waiting.path)
    if ((await inspectPhoto(bytes, `photos.${i}.data`)) !== bytes)
      throw refusal(
        'unprocessable',
        'photo-metadata',
        'The photo carries traces of the device that took it; taking them out would change its name in the journal.',
        `photos.${i}.data`,
      )
  }
}

async function keep(
  deps: AppDeps,
  dossiers: DossierService,
  jobs: JobService,
  file: JobFile,
  staged: Staged,
): Promise<ImportResult> {
  const { repository } = jobs.stored
  const keepFiles = async () => {
    for (const { document } of file.dossiers) await dossiers.keepOwn(document)
    for (const waiting of staged.values()) await waiting.keep()
  }
  const same = (await repository.byId(file.job.id)) ?? (await repository.byOrigin(file.job.origin))
  if (same) {
    if (same.deletedAt !== null) await jobs.bringBack(same.id)
    await keepFiles()
    const entries = file.journal.map(({ seq: _seq, receivedAt: _at, v: _v, ...entry }): NewEntry => entry)
    const result = await jobs.stored.oneByOne(same.id, () => jobs.stored.merge(same.id, entries))
    return { id: same.id, merged: true, ...result }
  }
  await keepFiles()
  const id = deps.newId()
  const row: JobRow = {
    id,
    origin: file.job.origin,
    title: file.job.title,
    machineHash: file.job.machine.hash,
    machineVariant: file.job.machine.variant ?? null,
    kitHash: file.job.kit.hash,
    moreKits: (file.job.kits ?? []).slice(1).map(({ hash, present }) => ({ hash, ...(present ? { present } : {}) })),
    createdAt: file.job.createdAt,
    provenance: [...file.provenance, { job: file.job.id, importedAt: deps.now() }],
    archivedAt: null,
    deletedAt: null,
  }
  const journal = file.journal.map((entry, i): JournalEntry => ({ ...entry, seq: i + 1 }))
  await repository.add(row, journal)
  await jobs.stored.changed(id)
  return { id, merged: false, added: journal.length, head: journal.length }
}
