import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { refusal } from '../platform/errors.ts'

/** Largest part that is read into memory at once, bytes: a document or a journal. */
const largestText = 256 * 1024 * 1024

export interface OpenZip {
  paths: string[]
  stream(path: string): Promise<Readable>
  text(path: string): Promise<string>
  close(): void
}

/** @throws Refusal when the file is no zip, or cut off */
export async function readZip(file: string): Promise<OpenZip> {
  const notWhole = (error: unknown) =>
    refusal(
      'unprocessable',
      'not-a-backup',
      `The file is no backup of a yard, or not a whole one (${error instanceof Error ? error.message : String(error)}).`,
    )
  const zip = await new Promise<ZipFile>((done, failed) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false, validateEntrySizes: true }, (error, opened) =>
      error ? failed(notWhole(error)) : done(opened),
    ),
  )
  const entries = new Map<string, Entry>()
  await new Promise<void>((done, failed) => {
    zip.on('error', (error) => failed(notWhole(error)))
    zip.on('end', done)
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry)
      zip.readEntry()
    })
    zip.readEntry()
  })
  const stream = (path: string) =>
    new Promise<Readable>((done, failed) => {
      const entry = entries.get(path)
      if (!entry) failed(notWhole(new Error(`${path} is missing`)))
      else zip.openReadStream(entry, (error, opened) => (error ? failed(notWhole(error)) : done(readable(opened))))
    })
  // What the unpacking itself notices (bytes that no longer unpack, a length that is not so) is the file's fault, not ours.
  const readable = (opened: Readable) =>
    Readable.from(
      (async function* () {
        try {
          for await (const piece of opened) yield piece
        } catch (error) {
          throw notWhole(error)
        }
      })(),
      { objectMode: false },
    )
  return {
    paths: [...entries.keys()],
    stream,
    async text(path) {
      const pieces: Buffer[] = []
      let bytes = 0
      for await (const piece of await stream(path)) {
        bytes += piece.length
        if (bytes > largestText) throw notWhole(new Error(`${path} is larger than any of ours`))
        pieces.push(piece)
      }
      return Buffer.concat(pieces).toString('utf-8')
    },
    close: () => zip.close(),
  }
}

export async function sha256Of(stream: Readable): Promise<string> {
  const digest = createHash('sha256')
  for await (const chunk of stream) digest.update(chunk)
  return digest.digest('hex')
}
