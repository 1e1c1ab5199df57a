import { createHash, randomUUID } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { access, mkdir, open, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { FolderWatch } from './dataFolder.ts'
import { refusal } from './errors.ts'

/** Bytes that have arrived and wait to be kept under their hash. */
export interface StagedFile {
  hash: string
  bytes: number
  /** Where they wait. */
  path: string
  /** Puts them into the store; the same bytes twice are one file. */
  keep(): Promise<void>
  /** Throws them away, unless they were kept. */
  drop(): Promise<void>
}

/** Files kept under the SHA-256 of their bytes, whole or not at all. */
export interface FileStore {
  has(hash: string): Promise<boolean>
  /** @throws Refusal when there are more than `mostBytes`, or the bytes have another hash */
  put(hash: string, bytes: Readable, mostBytes: number): Promise<void>
  putBytes(bytes: Uint8Array): Promise<string>
  /** Takes bytes in without keeping them yet. @throws Refusal when there are more than `mostBytes` */
  stage(bytes: AsyncIterable<Uint8Array>, mostBytes: number): Promise<StagedFile>
  read(hash: string): Promise<Buffer>
  stream(hash: string): Readable
  size(hash: string): Promise<number>
  /** Every file, with when it was kept, ms. */
  list(): Promise<{ hash: string; keptAtMs: number }[]>
  remove(hash: string): Promise<void>
}

/** @param what the folder of this kind of file, and the word for one in a refusal */
export async function openFileStore(
  dataFolder: string,
  watch: FolderWatch = { check: () => undefined },
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
  const keep = async (draft: string, hash: string) => {
    watch.check()
    await rename(draft, place(hash))
  }

  async function stage(bytes: AsyncIterable<Uint8Array>, mostBytes: number): Promise<StagedFile> {
    watch.check()
    const draft = join(unfinished, randomUUID())
    const digest = createHash('sha256')
    let size = 0
    // It is there before anything can go wrong: a file that is opened only while it is thrown away would stay.
    const file = await open(draft, 'w')
    try {
      await pipeline(
        bytes,
        async function* (source: AsyncIterable<Uint8Array>) {
          for await (const chunk of source) {
            size += chunk.length
            if (size > mostBytes) throw refusal('too-large', 'file-too-large', what.tooLarge)
            digest.update(chunk)
            yield chunk
          }
        },
        file.createWriteStream(),
      )
    } catch (error) {
      await rm(draft, { force: true })
      throw error
    }
    const hash = digest.digest('hex')
    return { hash, bytes: size, path: draft, keep: () => keep(draft, hash), drop: () => rm(draft, { force: true }) }
  }

  return {
    has,
    stage,
    async put(hash, bytes, mostBytes) {
      const staged = await stage(bytes, mostBytes)
      try {
        if (staged.hash !== hash)
          throw refusal(
            'unprocessable',
            'hash-mismatch',
            'The bytes that arrived are not the ones announced. Send them again.',
            'hash',
          )
        await staged.keep()
      } finally {
        await staged.drop()
      }
    },
    async putBytes(bytes) {
      const hash = createHash('sha256').update(bytes).digest('hex')
      if (!(await has(hash))) {
        const draft = join(unfinished, randomUUID())
        await writeFile(draft, bytes)
        await keep(draft, hash)
      }
      return hash
    },
    read: (hash) => readFile(place(hash)),
    stream: (hash) => createReadStream(place(hash)),
    size: async (hash) => (await stat(place(hash))).size,
    async list() {
      const names = (await readdir(folder)).filter((name) => /^[0-9a-f]{64}$/.test(name))
      return Promise.all(names.map(async (hash) => ({ hash, keptAtMs: (await stat(place(hash))).mtimeMs })))
    },
    async remove(hash) {
      watch.check()
      await rm(place(hash), { force: true })
    },
  }
}

/** Photos of the jobs, kept beside the logs. */
export function openPhotoStore(dataFolder: string, watch?: FolderWatch): Promise<FileStore> {
  return openFileStore(dataFolder, watch, {
    folder: 'photos',
    tooLarge: 'The photo is over 4 MB. It is made smaller in the browser before it is sent; send it from there.',
  })
}
