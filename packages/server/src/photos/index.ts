import type { FastifyInstance } from 'fastify'
import { Readable } from 'node:stream'
import { z } from 'zod'
import { notFound, Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { inspectPhoto, largestPhotoBytes } from './inspectPhoto.ts'

export { inspectPhoto } from './inspectPhoto.ts'

const hashParams = z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in 64 hex digits') })

/** Photos under the SHA-256 of their bytes. What the journal says of them is the journal's. */
export function photosPlugin(rooms: Rooms) {
  return async (app: FastifyInstance): Promise<void> => {
    await app.register(async (raw) => {
      raw.removeAllContentTypeParsers()
      raw.addContentTypeParser('*', { parseAs: 'buffer', bodyLimit: largestPhotoBytes }, (_request, body, done) =>
        done(null, body),
      )
      raw.put(
        '/api/photos/:hash',
        {
          bodyLimit: largestPhotoBytes,
          schema: { summary: 'Keep a photo under its SHA-256; a JPEG without metadata', params: hashParams },
        },
        async (request, reply) => {
          const { hash } = hashParams.parse(request.params)
          if (!Buffer.isBuffer(request.body))
            throw new Refusal('malformed', { code: 'body-empty', path: '', message: 'The photo itself is missing.' })
          inspectPhoto(request.body)
          await rooms.photos.put(hash, Readable.from([request.body]), largestPhotoBytes)
          return reply.code(204).send()
        },
      )
    })

    app.get('/api/photos/:hash', { schema: { summary: 'A photo', params: hashParams } }, async (request, reply) => {
      const { hash } = hashParams.parse(request.params)
      if (!(await rooms.photos.has(hash))) throw notFound('photo', hash)
      return reply
        .type('image/jpeg')
        .header('cache-control', 'private, max-age=31536000, immutable')
        .send(rooms.photos.stream(hash))
    })
  }
}
