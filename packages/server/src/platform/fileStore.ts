import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { access, mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Refusal } from './errors.ts'

/** Files kept under the SHA-256 of their bytes, whole or not at all. */
export interface FileStore {
  has(hash: string): Promise<boolean>
  /** @throws Refusal when there are more than `mostBytes`, or the bytes have another hash */
  put(hash: string, bytes: Readable, mostBytes: number): Promise<void>
  putBytes(bytes: Uint8Array): Promise<string>
  read(hash: string): Promise<Buffer>
  stream(hash: string): Readable
}

/** @param what the folder of this kind of file, and the word for one in a refusal */
export async function openFileStore(
  dataFolder: string,
  what: { folder: string; tooLarge: string } = {
    folder: 'logs',
    tooLarge: 'The log is over 100 MB. Cut it into rides and import them one by one.',
  },
): Promise<FileStore> {
  const folder = join(dataFolder, what.folder)
  const unfinished = join(folder, 'unfinished')
  await rm(unfinished, { recursive: true, force: true })
  await mkdir(unfinished, { recursive: true, mode: 0o700 })
  const place = (hash: string) => join(folder, hash)
  const has = (hash: string) =>
    access(place(hash)).then(
      () => true,
      () => false,
    )
  return {
    has,
    async put(hash, bytes, mostBytes) {
      const draft = join(unfinished, randomUUID())
      const digest = createHash('sha256')
      let size = 0
      try {
        await pipeline(
          bytes,
          async function* (source: AsyncIterable<Buffer>) {
            for await (const chunk of source) {
              size += chunk.length
              if (size > mostBytes)
                throw new Refusal('too-large', {
                  code: 'file-too-large',
                  path: '',
                  message: what.tooLarge,
                })
              digest.update(chunk)
              yield chunk
            }
          },
          createWriteStream(draft),
        )
        if (digest.digest('hex') !== hash)
          throw new Refusal('unprocessable', {
            code: 'hash-mismatch',
            path: 'hash',
            message: 'The bytes that arrived are not the ones announced. Send them again.',
          })
        await rename(draft, place(hash))
      } finally {
        await rm(draft, { force: true })
      }
    },
    async putBytes(bytes) {
      const hash = createHash('sha256').update(bytes).digest('hex')
      if (!(await has(hash))) {
        const draft = join(unfinished, randomUUID())
        await writeFile(draft, bytes)
        await rename(draft, place(hash))
      }
      return hash
    },
    read: (hash) => readFile(place(hash)),
    stream: (hash) => createReadStream(place(hash)),
  }
}

/** Photos of the jobs, kept beside the logs. */
export function openPhotoStore(dataFolder: string): Promise<FileStore> {
  return openFileStore(dataFolder, {
    folder: 'photos',
    tooLarge: 'The photo is over 4 MB. It is made smaller in the browser before it is sent; send it from there.',
  })
}
