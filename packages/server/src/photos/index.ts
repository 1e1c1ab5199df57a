import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import { z } from 'zod'
import { notFound, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { fileAnswer, hashText, type HttpApp } from '../platform/http.ts'
import { inspectPhoto, largestPhotoBytes } from './inspectPhoto.ts'

export { inspectPhoto, largestPhotoBytes, photoForPaper } from './inspectPhoto.ts'

const params = z.object({ hash: hashText })

/** Photos under the SHA-256 of their bytes. What the journal says of them is the journal's. */
export function photosPlugin(deps: AppDeps) {
  return async (app: HttpApp): Promise<void> => {
    await app.register(async (raw: HttpApp) => {
      raw.removeAllContentTypeParsers()
      raw.addContentTypeParser('*', { parseAs: 'buffer', bodyLimit: largestPhotoBytes }, (_request, body, done) =>
        done(null, body),
      )
      raw.put(
        '/api/photos/:hash',
        {
          config: { access: 'fitter' },
          bodyLimit: largestPhotoBytes,
          schema: {
            summary: 'Keep a JPEG under its SHA-256; where traces of the device had to go, the answer has its new one',
            params,
            response: { 200: z.object({ hash: hashText, bytes: z.int() }), 204: z.null() },
          },
        },
        async (request, reply) => {
          const { hash } = request.params
          const { body } = request
          if (!Buffer.isBuffer(body)) throw refusal('malformed', 'body-empty', 'The photo itself is missing.')
          if (createHash('sha256').update(body).digest('hex') !== hash)
            throw refusal(
              'unprocessable',
              'hash-mismatch',
              'The bytes that arrived are not the ones announced. Send them again.',
              'hash',
            )
          const kept = await inspectPhoto(body)
          if (kept === body) {
            await deps.photos.put(hash, Readable.from([body]), largestPhotoBytes)
            return reply.code(204).send()
          }
          return { hash: await deps.photos.putBytes(kept), bytes: kept.length }
        },
      )
    })

    app.get(
      '/api/photos/:hash',
      { config: { access: 'fitter' }, schema: { summary: 'A photo', params, ...fileAnswer('image/jpeg') } },
      async (request, reply) => {
        const { hash } = request.params
        if (!(await deps.photos.has(hash))) throw notFound('photo', hash)
        return reply
          .type('image/jpeg')
          .header('cache-control', 'private, max-age=31536000, immutable')
          .send(deps.photos.stream(hash))
      },
    )
  }
}
