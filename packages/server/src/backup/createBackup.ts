import { createHash } from 'node:crypto'
import { Readable, Transform } from 'node:stream'
import { ZipFile } from 'yazl'
import { manifestPath, type Manifest } from './format.ts'
import type { BackupParts } from './parts.ts'

/**
 * The whole yard as one zip (ZIP 6.3, with 64-bit sizes where needed), streamed. No transaction spans it: the jobs and their heads are
 * read first, then each journal up to its head; what is written meanwhile is in the next backup. Files come after the heads, so
 * that no entry names one that is not in.
 */
export async function createBackup({
  deps,
  jobs,
  dossiers,
  pairing,
  wiring,
  yard,
  vehicles,
}: BackupParts): Promise<Readable> {
  const { repository } = jobs.stored
  const rows = await repository.all()
  const heads = await repository.heads()
  const zip = new ZipFile()
  const files: Manifest['files'] = []
  const mtime = new Date(deps.now())

  /** Adds a part that is read when its turn comes, and hashed as it passes. */
  const add = (path: string, compress: boolean, read: () => Promise<Readable> | Readable) =>
    zip.addReadStreamLazy(path, { mtime, compress }, (give) => {
      const open = async () => {
        const source = await read()
        const digest = createHash('sha256')
        let bytes = 0
        const through = new Transform({
          transform(chunk: Buffer, _encoding, done) {
            digest.update(chunk)
            bytes += chunk.length
            done(null, chunk)
          },
          flush(done) {
            files.push({ path, sha256: digest.digest('hex'), bytes })
            done()
          },
        })
        source.on('error', (error) => through.destroy(error))
        give(null, source.pipe(through))
      }
      // yazl reports nothing of a part that cannot be opened: the whole stream ends with the error, and the zip has no end.
      open().catch((error: unknown) => output.destroy(error instanceof Error ? error : new Error(String(error))))
    })
  const json = (path: string, value: () => Promise<unknown>) =>
    add(path, true, async () => Readable.from([JSON.stringify(await value())], { objectMode: false }))

  for (const hash of await dossiers.stored.hashes())
    json(`dossiers/${hash}.json`, async () => (await dossiers.stored.row(hash)) ?? null)
  json('drafts.json', dossiers.stored.drafts)
  json('errata.json', wiring.stored.all)
  json('devices.json', pairing.stored)
  json('vehicles.json', vehicles.stored.all)
  for (const row of rows) {
    const folder = `jobs/job-${encodeURIComponent(row.id)}`
    json(`${folder}/job.json`, async () => row)
    add(`${folder}/journal.jsonl`, true, () =>
      Readable.from(journalLines(repository.storedJournal(row.id, heads.get(row.id) ?? 0)), { objectMode: false }),
    )
  }
  for (const [kind, store] of [
    ['logs', deps.files],
    ['photos', deps.photos],
  ] as const)
    for (const { hash } of await store.list()) add(`${kind}/${hash}`, kind === 'logs', () => store.stream(hash))
  zip.addReadStreamLazy(manifestPath, { mtime }, (give) => {
    const manifest = async (): Promise<Manifest> => ({
      format: 'tidy-badger-backup',
      version: 1,
      madeAt: mtime.toISOString(),
      yard: await yard.epoch(),
      files,
    })
    manifest().then(
      (value) => give(null, Readable.from([JSON.stringify(value)], { objectMode: false })),
      (error: Error) => output.destroy(error),
    )
  })
  const output = Readable.from(zip.outputStream, { objectMode: false })
  zip.end()
  return output
}

async function* journalLines(pages: AsyncIterable<object[]>): AsyncGenerator<string> {
  for await (const entries of pages) yield entries.map((entry) => `${JSON.stringify(entry)}\n`).join('')
}
