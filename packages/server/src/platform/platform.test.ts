import { createHash } from 'node:crypto'
import { mkdtemp, readdir, rm, mkdir } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { readConfig } from './config.ts'
import { refusalOfFramework, Refusal, statusOf } from './errors.ts'
import { openFileStore } from './fileStore.ts'
import { lockFolder } from './folderLock.ts'

let folder: string
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'tidy-badger-platform-'))
})
afterAll(() => rm(folder, { recursive: true, force: true }))
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

describe('settings', () => {
  test('have defaults and follow the environment', () => {
    expect(readConfig({}, '/x')).toMatchObject({ port: 4310, host: '127.0.0.1', dataFolder: '/x/yard', demo: false })
    expect(readConfig({ PORT: '80', TIDY_BADGER_DATA: '/d', TIDY_BADGER_DEMO: '1' }, '/x')).toMatchObject({
      port: 80,
      dataFolder: '/d',
      demo: true,
    })
  })

  test('a yard that was begun in data stays there; what ships there makes no yard', async () => {
    const root = join(folder, 'root')
    await mkdir(join(root, 'data', 'machines'), { recursive: true })
    expect(readConfig({}, root).dataFolder).toBe(join(root, 'yard'))
    await mkdir(join(root, 'data', 'store'))
    expect(readConfig({}, root).dataFolder).toBe(join(root, 'data'))
  })

  test.each(['abc', '-1', '70000', '1.5'])('PORT=%s is refused with a sentence', (PORT) => {
    expect(() => readConfig({ PORT }, '/x')).toThrow(`PORT is "${PORT}", but must be a whole number`)
  })
})

describe('a data folder', () => {
  test('belongs to one at a time and is free again afterwards', async () => {
    const place = join(folder, 'locked')
    const first = await lockFolder(place)
    await expect(lockFolder(place)).rejects.toThrow('Another Tidy Badger is at work')
    await first.release()
    await (await lockFolder(place)).release()
  })
})

describe('files by hash', () => {
  test('are kept whole or not at all', async () => {
    const store = await openFileStore(folder)
    const bytes = Buffer.from('time,rpm\n')
    await store.put(hashOf(bytes), Readable.from([bytes]), 1000)
    expect(await store.has(hashOf(bytes))).toBe(true)
    expect(await store.read(hashOf(bytes))).toEqual(bytes)
    const big = Buffer.alloc(2000)
    await expect(store.put(hashOf(big), Readable.from([big]), 1000)).rejects.toThrow('over 100 MB')
    await expect(store.put('0'.repeat(64), Readable.from([bytes]), 1000)).rejects.toThrow('not the ones announced')
    expect(await store.has(hashOf(big))).toBe(false)
    expect(await readdir(join(folder, 'logs', 'unfinished'))).toEqual([])
  })

  test('the same bytes twice are one file', async () => {
    const store = await openFileStore(folder)
    const hash = await store.putBytes(Buffer.from('again'))
    expect(await store.putBytes(Buffer.from('again'))).toBe(hash)
  })
})

describe('refusals', () => {
  test('every kind has a status of its own', () => {
    const kinds = [
      'malformed',
      'not-found',
      'method',
      'conflict',
      'too-large',
      'media-type',
      'unprocessable',
      'unavailable',
    ] as const
    expect(kinds.map(statusOf)).toEqual([400, 404, 405, 409, 413, 415, 422, 503])
  })

  test('what the framework refuses is said in our words', () => {
    expect(refusalOfFramework('FST_ERR_CTP_EMPTY_JSON_BODY', 400)?.message).toContain('no body')
    expect(refusalOfFramework(undefined, 418)).toBeInstanceOf(Refusal)
    expect(refusalOfFramework(undefined, undefined)).toBeNull()
  })
})
