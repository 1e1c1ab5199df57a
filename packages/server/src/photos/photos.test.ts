import { createHash } from 'node:crypto'
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
const jpeg = (...segments: Buffer[]) =>
  Buffer.concat([Buffer.from([0xff, 0xd8]), ...segments, segment(0xda, 'scan'), Buffer.from([1, 2, 0xff, 0xd9])])
const plain = jpeg(segment(0xe0, 'JFIF\0'), segment(0xdb, 'table'))
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
const send = (bytes: Buffer, hash = hashOf(bytes)) =>
  app.server.inject({
    method: 'PUT',
    url: `/api/photos/${hash}`,
    payload: bytes,
    headers: { 'content-type': 'image/jpeg' },
  })

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
    ['with rubbish between', Buffer.concat([Buffer.from([0xff, 0xd8]), Buffer.from('rubbish')]), 'not-a-photo'],
  ])('%s are refused', async (_name, bytes, code) => {
    const answer = await send(bytes)
    expect(answer.statusCode).toBe(422)
    expect(answer.json<{ code: string }[]>()[0].code).toBe(code)
    expect(() => inspectPhoto(bytes)).toThrow()
  })

  test('other bytes than announced and too large ones are refused', async () => {
    expect((await send(plain, '0'.repeat(64))).statusCode).toBe(422)
    expect((await send(Buffer.alloc(largestPhotoBytes + 10, 7))).statusCode).toBe(413)
    expect(() => inspectPhoto(plain)).not.toThrow()
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
