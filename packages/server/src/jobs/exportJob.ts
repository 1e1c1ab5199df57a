import { Readable } from 'node:stream'
import { createGzip } from 'node:zlib'
import type { DossierService } from '../dossiers/index.ts'
import { notFound } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { FileStore } from '../platform/fileStore.ts'
import type { JobService } from './service.ts'
import type { StoredEntry } from './repository.ts'

/** Logs up to this size stay readable in the job file; larger ones, and those that are no UTF-8, are packed. */
const plainBytes = 64 * 1024

/**
 * A job as one JSON document, as it leaves: entries, logs and photos pass through some at a time, whatever the size of the job.
 * A job that cannot be replayed here leaves as it lies.
 */
export async function exportJob(
  deps: AppDeps,
  dossiers: DossierService,
  jobs: JobService,
  id: string,
): Promise<Readable> {
  const { repository } = jobs.stored
  const row = await repository.byId(id)
  if (!row) throw notFound('job', id)
  const head = await repository.headOf(id)
  const hashes = new Set([row.machineHash, row.kitHash, ...row.moreKits.map(({ hash }) => hash)])
  const logs = new Set<string>()
  const photos = new Set<string>()
  for await (const entries of repository.storedJournal(id, head))
    for (const { body } of entries) {
      const { kind, log, photo, to, kit } = {
        ...{ kind: '', log: '', photo: '', to: { hash: '' }, kit: { hash: '' } },
        ...Object(body),
      }
      if (kind === 'log-imported') logs.add(String(log))
      if (kind === 'photo') photos.add(String(photo))
      if (kind === 'dossier-changed') hashes.add(String(to.hash))
      if (kind === 'kit-added') hashes.add(String(kit.hash))
    }
  const refOf = async (hash: string) => {
    const known = await dossiers.stored.row(hash)
    return { id: known?.id ?? 'unknown', version: known?.version ?? 1, hash }
  }
  const job = {
    id: row.id,
    origin: row.origin,
    title: row.title,
    createdAt: row.createdAt,
    machine: {
      ...(await refOf(row.machineHash)),
      ...(row.machineVariant === null ? {} : { variant: row.machineVariant }),
    },
    kit: await refOf(row.kitHash),
    ...(row.moreKits.length > 0
      ? {
          kits: await Promise.all(
            [{ hash: row.kitHash }, ...row.moreKits].map(async ({ hash, ...more }) => ({
              ...(await refOf(hash)),
              ...more,
            })),
          ),
        }
      : {}),
  }

  async function* text(): AsyncGenerator<string> {
    yield `{"format":"tidy-badger-job","version":1,"job":${JSON.stringify(job)},"provenance":${JSON.stringify(row?.provenance ?? [])},"dossiers":[`
    yield* listed([...hashes], async function* (hash) {
      const known = await dossiers.stored.row(hash)
      if (known) yield JSON.stringify({ hash, document: known.document })
    })
    yield '],"journal":['
    let first = true
    for await (const entries of repository.storedJournal(id, head)) {
      yield (first ? '' : ',') + entries.map(entryText).join(',')
      first = false
    }
    yield '],"logs":['
    yield* listed(await present(deps.files, logs), (hash) => packedLog(deps.files, hash))
    yield '],"photos":['
    yield* listed(await present(deps.photos, photos), async function* (hash) {
      yield `{"hash":"${hash}","data":"`
      yield* base64Of(deps.photos.stream(hash))
      yield '"}'
    })
    yield ']}'
  }
  return Readable.from(text(), { objectMode: false })
}

export function entryText({ seq, v, receivedAt, body }: StoredEntry): string {
  return JSON.stringify({ ...Object(body), seq, receivedAt, v })
}

async function present(store: FileStore, hashes: Set<string>): Promise<string[]> {
  const found: string[] = []
  for (const hash of hashes) if (await store.has(hash)) found.push(hash)
  return found
}

async function* listed<T>(items: readonly T[], textOf: (item: T) => AsyncIterable<string>): AsyncGenerator<string> {
  for (const [i, item] of items.entries()) {
    if (i > 0) yield ','
    yield* textOf(item)
  }
}

async function* packedLog(store: FileStore, hash: string): AsyncGenerator<string> {
  if ((await store.size(hash)) <= plainBytes) {
    const bytes = await store.read(hash)
    const text = bytes.toString('utf-8')
    if (Buffer.from(text, 'utf-8').equals(bytes) && !text.includes('\0')) {
      yield JSON.stringify({ hash, encoding: 'utf-8', data: text })
      return
    }
  }
  yield `{"hash":"${hash}","encoding":"gzip-base64","data":"`
  yield* base64Of(store.stream(hash).pipe(createGzip()))
  yield '"}'
}

/** Base64 of bytes as they come, cut where three bytes make four signs. */
async function* base64Of(bytes: AsyncIterable<Uint8Array>): AsyncGenerator<string> {
  let rest = Buffer.alloc(0)
  for await (const chunk of bytes) {
    const all =
      rest.length > 0 ? Buffer.concat([rest, chunk]) : Buffer.from(chunk.buffer, chunk.byteOffset, chunk.length)
    const whole = all.length - (all.length % 3)
    if (whole > 0) yield all.subarray(0, whole).toString('base64')
    rest = Buffer.from(all.subarray(whole))
  }
  if (rest.length > 0) yield rest.toString('base64')
}
