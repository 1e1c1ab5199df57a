import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdtemp, readFile, rm, utimes, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { ZipFile } from 'yazl'
import { testApp, type TestApp } from '../testApp.ts'
import { copyIsDue } from './nightly.ts'
import { readZip, sha256Of } from './readZip.ts'

let yard: TestApp
let folder: string
const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
const note = (id: string) => ({ id, kind: 'note', text: 'x' })
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

beforeAll(async () => {
  yard = await testApp()
  folder = await mkdtemp(join(tmpdir(), 'tidy-badger-backup-'))
})
afterAll(async () => {
  await yard.close()
  await rm(folder, { recursive: true, force: true })
})

async function newJob(app: TestApp, title: string): Promise<string> {
  return ((await app.ask('POST', '/api/jobs', { ...quad, title })).body as { id: string }).id
}
const append = (app: TestApp, id: string, entries: object[]) => app.ask('POST', `/api/jobs/${id}/journal`, { entries })
const journal = async (app: TestApp, id: string) =>
  (await app.ask('GET', `/api/jobs/${id}/journal`)).body as { head: number; entries: { id: string; seq: number }[] }
async function backup(app: TestApp, name: string): Promise<string> {
  const file = join(folder, name)
  await app.backup.writeTo(file)
  return file
}
const restore = async (app: TestApp, file: string) => {
  const answer = await app.server.inject({
    method: 'POST',
    url: '/api/restore',
    headers: { 'content-type': 'application/zip' },
    payload: await readFile(file),
  })
  return { status: answer.statusCode, body: answer.json() as unknown }
}

/** A job with a log, a photo and a draft beside it. */
async function fullYard(): Promise<{ id: string; log: string; photo: string }> {
  const id = await newJob(yard, 'whole')
  const csv = Buffer.from('time,rpm,throttle,afr\n0,1500,3,14\n')
  const picture = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#123456' } })
    .jpeg()
    .toBuffer()
  const [log, photo] = [await yard.deps.files.putBytes(csv), await yard.deps.photos.putBytes(picture)]
  await append(yard, id, [
    note(`${id}-n`),
    {
      id: `${id}-l`,
      kind: 'log-imported',
      log,
      name: 'ride.csv',
      rows: 1,
      bytes: csv.length,
      mapping: { columns: {}, units: {}, dropUnreadable: false },
      tableInForce: null,
    },
    {
      id: `${id}-p`,
      kind: 'photo',
      photo,
      bytes: picture.length,
      widthPx: 20,
      heightPx: 10,
      shows: 'work',
      handBack: true,
    },
  ])
  await yard.ask('PUT', '/api/drafts/half', { kind: 'machine', model: 'half written' })
  return { id, log, photo }
}

describe('a backup', () => {
  test('brings a whole yard into an empty one, proved by hash: ids, numbers, files, drafts', async () => {
    const { id, log, photo } = await fullYard()
    const before = await journal(yard, id)
    const file = await backup(yard, 'whole.zip')
    const empty = await testApp()
    expect(await restore(empty, file)).toMatchObject({ status: 200, body: { added: 1, entries: 3, files: 2 } })
    expect(await journal(empty, id)).toEqual(before)
    for (const [store, hash] of [
      [empty.deps.files, log],
      [empty.deps.photos, photo],
    ] as const)
      expect(hashOf(await store.read(hash))).toBe(hash)
    expect((await empty.ask('GET', '/api/drafts/half')).body).toMatchObject({ document: { model: 'half written' } })
    expect((await append(empty, id, [note('goes on')])).body).toMatchObject({ head: 4 })
    const summary = async (app: TestApp) =>
      ((await app.ask('GET', '/api/jobs')).body as { id: string; machine: object }[]).find((job) => job.id === id)
        ?.machine
    expect(await summary(empty)).toEqual(await summary(yard))
    await empty.close()
  })

  test('is merged into a full yard by id: what is missing comes, what is here stays', async () => {
    const id = await newJob(yard, 'both')
    await append(yard, id, [note('a'), note('b')])
    const file = await backup(yard, 'both.zip')
    await append(yard, id, [note('c')])
    expect(await restore(yard, file)).toMatchObject({ status: 200, body: { added: 0, merged: 0 } })
    expect((await journal(yard, id)).entries.map((entry) => entry.id)).toEqual(['a', 'b', 'c'])

    const other = await testApp()
    await restore(other, file)
    await append(other, id, [note('d')])
    const later = await backup(yard, 'later.zip')
    expect(await restore(other, later)).toMatchObject({ body: { merged: 1, entries: 1 } })
    expect((await journal(other, id)).entries.map((entry) => [entry.seq, entry.id])).toEqual([
      [1, 'a'],
      [2, 'b'],
      [3, 'd'],
      [4, 'c'],
    ])
    await other.close()
  })

  test('is made while work goes on, each job up to the head it had', async () => {
    const id = await newJob(yard, 'busy')
    await append(yard, id, [note('0')])
    let going = true
    const writing = (async () => {
      for (let i = 1; going; i++) await append(yard, id, [note(`${i}`)])
    })()
    const file = await backup(yard, 'busy.zip')
    going = false
    await writing
    const zip = await readZip(file)
    const lines = (await zip.text(`jobs/job-${id}/journal.jsonl`)).trim().split('\n')
    const kept = lines.map((line) => JSON.parse(line) as { seq: number; id: string })
    const all = (await journal(yard, id)).entries
    expect(kept.map((entry) => entry.id)).toEqual(all.slice(0, kept.length).map((entry) => entry.id))
    const manifest = JSON.parse(await zip.text('backup.json')) as { files: { path: string; sha256: string }[] }
    for (const { path, sha256 } of manifest.files) expect(await sha256Of(await zip.stream(path))).toBe(sha256)
    zip.close()
  })

  test('that is damaged, cut off or no backup changes nothing and says so', async () => {
    const whole = await readFile(await backup(yard, 'sound.zip'))
    const before = (await yard.ask('GET', '/api/jobs')).body
    for (const [name, bytes] of [
      ['cut', whole.subarray(0, whole.length - 900)],
      ['text', Buffer.from('hello')],
    ] as const) {
      const file = join(folder, `${name}.zip`)
      await writeFile(file, bytes)
      const answer = await restore(yard, file)
      expect(answer.status, name).toBe(422)
    }
    expect((await yard.ask('GET', '/api/jobs')).body).toEqual(before)
  })

  test('with any one byte flipped is refused, or brings what it held', async () => {
    const whole = await readFile(await backup(yard, 'flips.zip'))
    const before = (await yard.ask('GET', '/api/jobs')).body
    const file = join(folder, 'flipped.zip')
    let refused = 0
    const tries = 60
    for (let i = 0; i < tries; i++) {
      const at = Math.floor(((i + 0.5) / tries) * whole.length)
      const bytes = Buffer.from(whole)
      bytes[at] ^= 0xff
      await writeFile(file, bytes)
      const { status } = await restore(yard, file)
      expect([200, 422], `byte ${at} of ${whole.length}`).toContain(status)
      if (status === 422) refused++
    }
    // Few bytes of such a file say nothing (the times of the parts).
    expect(refused).toBeGreaterThan(tries * 0.7)
    expect((await yard.ask('GET', '/api/jobs')).body).toEqual(before)
  })

  test.each([
    ['an entry of a version nobody knows', { v: 99 }, 'newer Tidy Badger'],
    ['a number that cannot be kept', { seq: 3_000_000_000 }, 'too large'],
  ])('with %s is refused before anything is kept', async (_, change, sentence) => {
    const id = await newJob(yard, 'to be changed')
    await append(yard, id, [note('a')])
    const file = await rewritten(await backup(yard, 'plain.zip'), `jobs/job-${id}/journal.jsonl`, (text) =>
      JSON.stringify({ ...JSON.parse(text), ...change }),
    )
    const empty = await testApp()
    const answer = await restore(empty, file)
    expect(answer.status).toBe(422)
    expect(JSON.stringify(answer.body)).toContain(sentence)
    expect((await empty.ask('GET', '/api/jobs')).body).toEqual([])
    await empty.close()
  })
})

/** The backup with one part changed and its list of contents true again. */
async function rewritten(file: string, path: string, change: (text: string) => string): Promise<string> {
  const zip = await readZip(file)
  const out = new ZipFile()
  const manifest = JSON.parse(await zip.text('backup.json')) as {
    files: { path: string; sha256: string; bytes: number }[]
  }
  for (const part of manifest.files) {
    const text = await zip.text(part.path)
    const bytes = Buffer.from(part.path === path ? change(text) : text)
    Object.assign(part, { sha256: hashOf(bytes), bytes: bytes.length })
    if (!part.path.startsWith('photos/')) out.addBuffer(bytes, part.path)
  }
  manifest.files = manifest.files.filter((part) => !part.path.startsWith('photos/'))
  out.addBuffer(Buffer.from(JSON.stringify(manifest)), 'backup.json')
  out.end()
  const target = `${file}.rewritten.zip`
  await pipeline(Readable.from(out.outputStream), createWriteStream(target))
  zip.close()
  return target
}

describe('after a restore', () => {
  test('the yard is another store, and devices may send again what it lacks, as it was', async () => {
    const other = await testApp({ host: '0.0.0.0' })
    const id = await newJob(other, 'lost and found')
    const epochOf = async () => (await other.server.inject(`/api/jobs/${id}/journal`)).headers.yard
    const before = await epochOf()
    const { code } = (await other.ask('GET', '/api/pairing/bench')).body as { code: string }
    const paired = await other.server.inject({
      method: 'POST',
      url: '/api/pairing',
      remoteAddress: '10.0.0.4',
      headers: { host: 'localhost' },
      payload: { code, name: 't', person: 'Runa' },
    })
    const cookie = `${paired.cookies[0].name}=${paired.cookies[0].value}`
    const again = (entry: object) =>
      other.server.inject({
        method: 'POST',
        url: `/api/jobs/${id}/journal`,
        remoteAddress: '10.0.0.4',
        headers: { host: 'localhost', cookie },
        payload: { entries: [entry], again: true },
      })
    expect((await again({ ...note('t1'), by: 'Tomas' })).statusCode).toBe(403)
    await restore(other, await backup(other, 'own.zip'))
    expect(await epochOf()).not.toBe(before)
    expect((await again({ ...note('t1'), by: 'Tomas' })).statusCode).toBe(200)
    expect((await journal(other, id)).entries).toMatchObject([{ id: 't1', by: 'Tomas' }])
    await other.close()
  })
})

describe('nightly copies', () => {
  const hours = 3_600_000
  test.each([
    ['none yet', 12, null, true],
    ['made an hour ago, by night', 2, 1, false],
    ['made yesterday evening, by night', 2, 13, true],
    ['made this morning, by day', 15, 13, false],
    ['older than a day, by day', 15, 27, true],
  ])('%s: due is %s', (_, hour, age, due) => {
    expect(copyIsDue(100 * hours, hour, age === null ? null : (100 - age) * hours)).toBe(due)
  })

  test('are kept as many as wanted, the newest', async () => {
    expect((await yard.ask('PUT', '/api/backup/settings', { nightly: true, keep: 2 })).status).toBe(200)
    for (let i = 0; i < 3; i++) {
      const made = await yard.backup.copy()
      await utimes(join(yard.backup.folder, made.name), 1000 + i, 1000 + i)
    }
    const { body } = await yard.ask('GET', '/api/backup/settings')
    expect((body as { copies: unknown[] }).copies).toHaveLength(2)
    expect((await yard.ask('PUT', '/api/backup/settings', { nightly: true, keep: 0 })).status).toBe(400)
  })
})
