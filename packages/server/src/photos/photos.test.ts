import { createHash } from 'node:crypto'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from '../testApp.ts'
import { inspectPhoto, largestPhotoBytes } from './inspectPhoto.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const segment = (marker: number, body: string) => {
  const bytes = Buffer.alloc(4 + body.length)
  bytes.writeUInt16BE(0xff00 + marker, 0)
  bytes.writeUInt16BE(2 + body.length, 2)
  bytes.write(body, 4, 'latin1')
  return bytes
}
/** A real picture; `more` stands between its start and its own segments. */
const jpeg = (...more: Buffer[]) => Buffer.concat([picture.subarray(0, 2), ...more, picture.subarray(2)])
const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } })
  .jpeg()
  .toBuffer()
const plain = jpeg()
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
const send = (bytes: Buffer, hash = hashOf(bytes)) =>
  app.server.inject({
    method: 'PUT',
    url: `/api/photos/${hash}`,
    payload: bytes,
    headers: { 'content-type': 'image/jpeg' },
  })

/** Segments of a JPEG around lines that are none. */
function jpegOfNothing(): Buffer {
  return Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    segment(0xe0, 'JFIF\0'),
    segment(0xdb, 'table'),
    segment(0xda, 'scan'),
    Buffer.from([1, 2, 0xff, 0xd9]),
  ])
}

describe('photos', () => {
  test('are kept as they are and given back', async () => {
    expect((await send(plain)).statusCode).toBe(204)
    const back = await app.server.inject({ url: `/api/photos/${hashOf(plain)}` })
    expect(back.headers['content-type']).toBe('image/jpeg')
    expect(back.rawPayload.equals(plain)).toBe(true)
    expect((await app.server.inject({ url: `/api/photos/${'0'.repeat(64)}` })).statusCode).toBe(404)
  })

  test.each([
    ['with a place in it', jpeg(segment(0xe1, 'Exif\0\0MM GPS')), 'photo-metadata'],
    ['with a caption of the camera', jpeg(segment(0xed, 'Photoshop 3.0')), 'photo-metadata'],
    ['that is no picture', Buffer.from('hello there'), 'not-a-photo'],
    ['that ends too early', plain.subarray(0, 12), 'not-a-photo'],
    ['of which half is missing', plain.subarray(0, plain.length - 60), 'not-a-photo'],
    ['whose lines cannot be drawn', jpegOfNothing(), 'not-a-photo'],
    ['with rubbish between', Buffer.concat([Buffer.from([0xff, 0xd8]), Buffer.from('rubbish')]), 'not-a-photo'],
  ])('%s are refused', async (_name, bytes, code) => {
    const answer = await send(bytes)
    expect(answer.statusCode).toBe(422)
    expect(answer.json<{ code: string }[]>()[0].code).toBe(code)
    await expect(inspectPhoto(bytes)).rejects.toThrow()
  })

  test('other bytes than announced and too large ones are refused', async () => {
    expect((await send(plain, '0'.repeat(64))).statusCode).toBe(422)
    expect((await send(Buffer.alloc(largestPhotoBytes + 10, 7))).statusCode).toBe(413)
    expect(await inspectPhoto(plain)).toBe(plain)
  })

  test('lose what else tells of the device: a second picture inside, XMP beside the profile, comments', async () => {
    const inner = jpeg(segment(0xe1, 'Exif\0\0MM GPS of the yard'))
    const told = Buffer.concat([
      jpeg(segment(0xe2, 'http://ns.adobe.com/xmp/ GPS'), segment(0xfe, 'camera of Runa'), segment(0xe2, 'MPF\0GPS')),
      inner,
    ])
    const answer = await send(told)
    expect(answer.statusCode).toBe(200)
    const { hash, bytes } = answer.json<{ hash: string; bytes: number }>()
    const kept = (await app.server.inject({ url: `/api/photos/${hash}` })).rawPayload
    expect(kept.length).toBe(bytes)
    expect(hashOf(kept)).toBe(hash)
    expect(kept.toString('latin1')).not.toMatch(/GPS|Runa|Exif|xmp/)
    expect((await sharp(kept).metadata()).width).toBe(40)
    expect((await app.server.inject({ url: `/api/photos/${hashOf(told)}` })).statusCode).toBe(404)
  })

  test('with more pixels than can be drawn are refused before they are', async () => {
    const wide = Buffer.from(picture)
    const frame = wide.indexOf(Buffer.from([0xff, 0xc0]))
    wide.writeUInt16BE(30_000, frame + 5)
    wide.writeUInt16BE(30_000, frame + 7)
    expect((await send(wide)).json<{ code: string }[]>()[0].code).toBe('photo-too-large')
  })

  test('one that is lost or broken does not keep the hand-back paper from coming', async () => {
    const open = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
    const { id } = (await app.ask('POST', '/api/jobs', open)).body as { id: string }
    const broken = await app.deps.photos.putBytes(Buffer.from('no picture at all'))
    const photo = (name: string, hash: string) => ({
      id: name,
      kind: 'photo',
      photo: hash,
      bytes: 1,
      widthPx: 800,
      heightPx: 600,
      shows: 'damage',
      handBack: true,
    })
    await send(plain)
    const entries = [photo('p1', broken), photo('p2', hashOf(plain))]
    expect((await app.ask('POST', `/api/jobs/${id}/journal`, { entries })).status).toBe(200)
    const paper = await app.server.inject({ url: `/api/jobs/${id}/handback.pdf` })
    expect(paper.statusCode).toBe(200)
    expect(paper.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
    await app.deps.photos.remove(broken)
    expect((await app.server.inject({ url: `/api/jobs/${id}/handback.pdf` })).statusCode).toBe(200)
  })

  test('hang on journal entries, and go with the exported job', async () => {
    const open = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }
    const { id } = (await app.ask('POST', '/api/jobs', open)).body as { id: string }
    const entry = {
      id: 'p1',
      kind: 'photo',
      photo: hashOf(plain),
      bytes: plain.length,
      widthPx: 800,
      heightPx: 600,
      shows: 'damage',
      handBack: true,
      about: { cover: 'seat' },
    }
    const missing = { ...entry, id: 'p0', photo: 'f'.repeat(64) }
    expect((await app.ask('POST', `/api/jobs/${id}/journal`, { entries: [missing] })).status).toBe(422)
    await send(plain)
    expect((await app.ask('POST', `/api/jobs/${id}/journal`, { entries: [entry] })).status).toBe(200)
    const file = (await app.ask('GET', `/api/jobs/${id}/export`)).body as { photos: { hash: string }[]; job: object }
    expect(file.photos.map((photo) => photo.hash)).toEqual([hashOf(plain)])
    const other = await testApp()
    try {
      expect((await other.ask('POST', '/api/jobs/import', file)).status).toBe(201)
      expect((await other.server.inject({ url: `/api/photos/${hashOf(plain)}` })).statusCode).toBe(200)
      const without = { ...file, photos: [], job: { ...file.job, id: 'other', origin: 'other' } }
      const refused = await other.ask('POST', '/api/jobs/import', without)
      expect(refused.body).toMatchObject([{ code: 'photo-missing', path: 'journal.0.photo' }])
    } finally {
      await other.close()
    }
  })
})
